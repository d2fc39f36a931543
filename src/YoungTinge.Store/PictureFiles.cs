using System.Security.Cryptography;
using Npgsql;

namespace YoungTinge.Store;

/// <summary>The pictures themselves, each kept once by the sum of its bytes (SHA-256), however many name it.</summary>
internal static class PictureFiles
{
    /// <returns>Its sum, to be named by, in the same transaction.</returns>
    public static async Task<byte[]> PutAsync(NpgsqlConnection connection, byte[] jpeg, CancellationToken cancel)
    {
        var sum = SHA256.HashData(jpeg);
        // Written even if it is there, so that nobody forgets it before this transaction has named it.
        await using var command = new NpgsqlCommand(
            "insert into picture_file (sha256, jpeg) values ($1, $2) on conflict (sha256) do update set sha256 = excluded.sha256", connection);
        command.Parameters.Add(new NpgsqlParameter<byte[]> { TypedValue = sum });
        command.Parameters.Add(new NpgsqlParameter<byte[]> { TypedValue = jpeg });
        await command.ExecuteNonQueryAsync(cancel);
        return sum;
    }

    /// <summary>Lets go of what neither a flower nor an earlier state of the studio names.</summary>
    public static async Task ForgetUnnamedAsync(NpgsqlDataSource dataSource, CancellationToken cancel)
    {
        try
        {
            await using var command = dataSource.CreateCommand("""
                delete from picture_file file
                where not exists (select from picture p where p.file_sha256 = file.sha256)
                    and not exists (select from replaced_studio_picture p where p.file_sha256 = file.sha256)
                """);
            await command.ExecuteNonQueryAsync(cancel);
        }
        catch (PostgresException exception) when (exception.SqlState == PostgresErrorCodes.ForeignKeyViolation)
        {
            // Someone has just named one of them; what is left over goes next time.
        }
    }
}
