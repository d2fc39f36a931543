using System.Security.Cryptography;
using Npgsql;

namespace YoungTinge.Store;

/// <summary>The pictures themselves, each kept once in a studio by the sum of its bytes (SHA-256), however many name it.</summary>
internal static class PictureFiles
{
    /// <returns>Its sum, to be named by, in the same transaction.</returns>
    public static async Task<byte[]> PutAsync(NpgsqlConnection connection, Guid studioId, byte[] jpeg, CancellationToken cancel)
    {
        var sum = SHA256.HashData(jpeg);
        // Written even if it is there, so that nobody forgets it before this transaction has named it.
        await using var command = new NpgsqlCommand(
            "insert into picture_file (sha256, jpeg, studio_id) values ($1, $2, $3) on conflict (studio_id, sha256) do update set sha256 = excluded.sha256", connection);
        command.Parameters.Add(new NpgsqlParameter<byte[]> { TypedValue = sum });
        command.Parameters.Add(new NpgsqlParameter<byte[]> { TypedValue = jpeg });
        command.Parameters.Add(Sql.Of(studioId));
        await command.ExecuteNonQueryAsync(cancel);
        return sum;
    }

    /// <summary>Lets go of what neither a flower nor an earlier state of the studio names.</summary>
    public static async Task ForgetUnnamedAsync(NpgsqlDataSource dataSource, Guid studioId, CancellationToken cancel)
    {
        try
        {
            await using var command = dataSource.CreateCommand("""
                delete from picture_file file
                where studio_id = $1
                    and not exists (select from picture p where p.studio_id = file.studio_id and p.file_sha256 = file.sha256)
                    and not exists (select from replaced_studio_picture p where p.studio_id = file.studio_id and p.file_sha256 = file.sha256)
                """);
            command.Parameters.Add(Sql.Of(studioId));
            await command.ExecuteNonQueryAsync(cancel);
        }
        catch (PostgresException exception) when (exception.SqlState == PostgresErrorCodes.ForeignKeyViolation)
        {
            // Someone has just named one of them; what is left over goes next time.
        }
    }
}
