using Npgsql;
using static YoungTinge.Store.Sql;

namespace YoungTinge.Store.People;

/// <summary>The keys that cookies are sealed with: the same for every server over this database.</summary>
public sealed class ProtectionKeyStore(NpgsqlDataSource door)
{
    // Asked for by the framework, which does not wait.
    public IReadOnlyList<string> All()
    {
        using var command = door.CreateCommand("select xml from protection_key order by id");
        using var reader = command.ExecuteReader();
        var keys = new List<string>();
        while (reader.Read())
            keys.Add(reader.GetString(0));
        return keys;
    }

    public void Add(string xml)
    {
        using var command = door.CreateCommand("insert into protection_key (xml) values ($1)");
        command.Parameters.Add(Of(xml));
        command.ExecuteNonQuery();
    }
}
