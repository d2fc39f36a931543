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

    /// <summary>Throws away all tables of the product, to begin anew.</summary>
    public static async Task DropAsync(NpgsqlDataSource dataSource, CancellationToken cancel)
    {
        await using var command = dataSource.CreateCommand("drop schema public cascade; create schema public");
        await command.ExecuteNonQueryAsync(cancel);
    }
}
