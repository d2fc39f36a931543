using DbUp;
using DbUp.Engine.Output;
using Npgsql;

namespace YoungTinge.Store;

/// <summary>Brings a database to the schema this build expects, by the numbered scripts in <c>Migrations</c>.</summary>
public static class Schema
{
    /// <summary>Applies what has not been applied yet, each script in its own transaction.</summary>
    /// <exception cref="InvalidOperationException">A script failed; the database is as it was before that script.</exception>
    public static void Migrate(string connectionString)
    {
        // One connection for one purpose: left in a pool it would be found dead after the database was restarted.
        var alone = new NpgsqlConnectionStringBuilder(connectionString) { Pooling = false }.ConnectionString;
        var result = DeployChanges.To.PostgresqlDatabase(alone)
            .WithScriptsEmbeddedInAssembly(typeof(Schema).Assembly, name => name.EndsWith(".sql", StringComparison.Ordinal))
            .WithTransactionPerScript()
            .LogTo(new NoOpUpgradeLog())
            .Build()
            .PerformUpgrade();
        if (!result.Successful)
            throw new InvalidOperationException($"The migration {result.ErrorScript?.Name} failed.", result.Error);
    }

    /// <summary>The scripts in their order, each with the number that it begins with.</summary>
    internal static IEnumerable<(int Number, string Sql)> Scripts()
    {
        var assembly = typeof(Schema).Assembly;
        foreach (var name in assembly.GetManifestResourceNames().Where(name => name.EndsWith(".sql", StringComparison.Ordinal)).Order(StringComparer.Ordinal))
        {
            using var reader = new StreamReader(assembly.GetManifestResourceStream(name)!);
            yield return (int.Parse(name.AsSpan(0, name.IndexOf('_', StringComparison.Ordinal)), System.Globalization.CultureInfo.InvariantCulture), reader.ReadToEnd());
        }
    }

    /// <summary>
    /// Makes the role that the server works under, and lets it read and write rows. It owns nothing, can make no table that lasts and no
    /// role, and is no superuser: what goes wrong in the server cannot change what the tables are.
    /// </summary>
    /// <param name="server">Names the role and its password.</param>
    public static async Task AllowAsync(NpgsqlDataSource owner, NpgsqlConnectionStringBuilder server, CancellationToken cancel)
    {
        await using var connection = await owner.OpenConnectionAsync(cancel);
        // Words of ours, quoted by the database itself: neither can be a parameter here.
        await using var quote = new NpgsqlCommand("""
            select format('%s role %I login nosuperuser nocreatedb nocreaterole noinherit password %L', case when exists (select from pg_roles where rolname = $1) then 'alter' else 'create' end, $1, $2),
                format('grant usage on schema public to %1$I; grant select, insert, update, delete on all tables in schema public to %1$I; grant usage on all sequences in schema public to %1$I', $1)
            """, connection);
        quote.Parameters.Add(new NpgsqlParameter<string> { TypedValue = server.Username! });
        quote.Parameters.Add(new NpgsqlParameter<string> { TypedValue = server.Password! });
        var statements = new List<string>();
        await using (var reader = await quote.ExecuteReaderAsync(cancel))
        {
            await reader.ReadAsync(cancel);
            statements.AddRange([reader.GetString(0), reader.GetString(1)]);
        }

        foreach (var statement in statements)
        {
            await using var command = new NpgsqlCommand(statement, connection);
            await command.ExecuteNonQueryAsync(cancel);
        }
    }

    /// <summary>Throws away all tables of the product, to begin anew.</summary>
    public static async Task DropAsync(NpgsqlDataSource dataSource, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("drop schema public cascade; create schema public");
        await command.ExecuteNonQueryAsync(cancel);
    }
}
