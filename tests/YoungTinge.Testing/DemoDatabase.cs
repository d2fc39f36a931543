using Npgsql;
using Xunit;
using YoungTinge.Store;
using YoungTinge.Store.Archives;
using YoungTinge.Store.Demo;
using YoungTinge.Store.People;

namespace YoungTinge.Testing;

/// <summary>A database with the demo studio, for a class of tests. Its cluster is shared and must go on running.</summary>
public class DemoDatabase : IAsyncLifetime
{
    /// <summary>Keeps every table as it is when new beside it: putting its rows back takes a fraction of filling it.</summary>
    private const string KeepAsNew = """
        do $$
        declare one text;
        begin
            create schema as_new;
            for one in select tablename from pg_tables where schemaname = 'public' loop
                execute format('create table as_new.%1$I as table public.%1$I', one);
            end loop;
        end $$
        """;

    /// <summary>
    /// Whoever is in the middle of something is thrown out first. It leaves a mark on every table: a server that goes on running keeps answers by the state they are of,
    /// and an answer may be newer than that, so a state must not come twice.
    /// </summary>
    private static readonly string PutBack = $$"""
        select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid() and state <> 'idle';
        do $$
        declare one text;
        begin
            set local session_replication_role = replica;
            execute 'truncate ' || (select string_agg(format('public.%I', tablename), ', ') from pg_tables where schemaname = 'public' and tablename <> 'protection_key') || ' restart identity';
            for one in select tablename from pg_tables where schemaname = 'public' and tablename <> 'protection_key' loop
                execute format('insert into public.%1$I overriding system value select * from as_new.%1$I', one);
            end loop;
            insert into public.change_mark (studio_id, table_name, backend, xact)
            select studio.id, marked, -1, pg_current_xact_id() from public.studio, unnest(array['{{string.Join("', '", StateStore.Tables)}}']) marked;
        end $$
        """;

    /// <summary>As migrations reach it.</summary>
    public string OwnerConnection { get; private set; } = "";

    /// <summary>As migrations reach it.</summary>
    public NpgsqlDataSource Owner { get; private set; } = null!;

    /// <summary>As the server reaches it: under a role that owns nothing.</summary>
    public string ConnectionString { get; private set; } = "";

    /// <summary>As the server reaches it.</summary>
    public StudioDatabases Databases { get; private set; } = null!;

    /// <summary>The demo.</summary>
    public Guid StudioId { get; } = Guid.CreateVersion7();

    /// <summary>As the server reaches the demo.</summary>
    public NpgsqlDataSource DataSource => Databases.Of(StudioId).DataSource;

    public virtual async Task InitializeAsync()
    {
        var cluster = await ClusterAsync();
        OwnerConnection = await cluster.CreateDatabaseAsync();
        var server = new NpgsqlConnectionStringBuilder(OwnerConnection) { Password = "not-the-owner" };
        // Roles are the whole cluster's.
        server.Username = $"app_of_{server.Database}";
        ConnectionString = server.ConnectionString;
        Databases = new StudioDatabases(ConnectionString);
        Owner = NpgsqlDataSource.Create(OwnerConnection);
        await FillAsync();
        await RunAsync(KeepAsNew);
    }

    /// <summary>Puts everything back to the demo as it is when new, also under a server that goes on running.</summary>
    public async Task ResetAsync()
    {
        // Connections from before a restart of the cluster are dead.
        Databases.Door.Clear();
        DataSource.Clear();
        Owner.Clear();
        await RunAsync(PutBack);
    }

    private async Task RunAsync(string sql)
    {
        await using var command = Owner.CreateCommand(sql);
        await command.ExecuteNonQueryAsync();
    }

    /// <summary>Leaves the tables without a studio, as on a new machine.</summary>
    public Task EmptyAsync() => RunAsync("truncate studio, picture_file restart identity cascade");

    /// <summary>Makes the demo a studio of one's own that has just been begun, with nothing in it; who has signed in stays so.</summary>
    public Task BeginAsync() => RunAsync($"""
        {string.Join("; ", ArchiveStore.TableNames.Reverse().Select(table => $"delete from {table}"))};
        update studio set name = 'My studio', maker = '', is_demo = false
        """);

    /// <summary>A code by which somebody comes in who may do so much: the demo's owner, or somebody who is made for it.</summary>
    public async Task<string> CodeAsync(Role role = Role.Owner)
    {
        var now = TimeProvider.System.GetUtcNow();
        var none = CancellationToken.None;
        var people = new PersonStore(DataSource);
        if ((await people.ListAsync(StudioId, none)).FirstOrDefault(person => person.Role == role) is not { } known)
        {
            known = new Person(Guid.CreateVersion7(), $"A {role}".ToLowerInvariant(), $"{role} {Guid.NewGuid():N}", role, 1);
            await using var connection = await DataSource.OpenConnectionAsync();
            await PersonStore.AddAsync(connection, StudioId, known, null, none);
        }

        return await new OneTimeCodeStore(DataSource).MakeAsync(StudioId, CodeKind.Enter, known.Id, now, none);
    }

    /// <summary>Signs a client in.</summary>
    public async Task SignInAsync(HttpClient http, Role role = Role.Owner) => await Visitor.UseCodeAsync(http, await CodeAsync(role));

    /// <summary>As when their time is over.</summary>
    public Task ExpireGuestsAsync() => RunAsync("update guest_address set expires_at = now() - interval '1 second'");

    private async Task FillAsync()
    {
        Schema.Migrate(OwnerConnection);
        await Schema.AllowAsync(Owner, new NpgsqlConnectionStringBuilder(ConnectionString), CancellationToken.None);
        await DemoStudio.SeedAsync(Owner, StudioId, null, TimeProvider.System.GetUtcNow(), CancellationToken.None);
    }

    public virtual async Task DisposeAsync()
    {
        await Databases.DisposeAsync();
        await Owner.DisposeAsync();
        await LeaveAsync();
    }

    private protected virtual Task<PostgresCluster> ClusterAsync() => PostgresCluster.ShareAsync();

    private protected virtual Task LeaveAsync() => PostgresCluster.LeaveAsync();
}

/// <summary>The same in a cluster of its own, which tests may stop, freeze and kill.</summary>
public sealed class DemoDatabaseAlone : DemoDatabase
{
    public PostgresCluster Cluster { get; } = new();

    private protected override async Task<PostgresCluster> ClusterAsync()
    {
        await Cluster.StartAsync();
        return Cluster;
    }

    private protected override async Task LeaveAsync() => await Cluster.DisposeAsync();
}
