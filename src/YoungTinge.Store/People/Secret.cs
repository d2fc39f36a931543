using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;

namespace YoungTinge.Store.People;

/// <summary>What only the one knows to whom it was told: in a cookie, or in an address. Kept is what it hashes to (SHA-256), so that whoever reads the database cannot use it.</summary>
public static class Secret
{
    private const int RandomBytes = 24;
    private const int StudioBytes = 16;

    /// <summary>Of one that says whose studio it is of, in characters.</summary>
    public static readonly int LengthOf = Base64Url.GetEncodedLength(StudioBytes + RandomBytes);

    public static string New() => Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(RandomBytes));

    /// <summary>A new one that says which studio it leads to, so that it need not be looked for in all of them.</summary>
    public static string NewOf(Guid studioId) => Base64Url.EncodeToString([.. studioId.ToByteArray(), .. RandomNumberGenerator.GetBytes(RandomBytes)]);

    /// <returns>Null if it is none of ours.</returns>
    public static Guid? StudioOf(string secret)
    {
        if (secret.Length != LengthOf || !Base64Url.IsValid(secret))
            return null;
        return new Guid(Base64Url.DecodeFromChars(secret).AsSpan(0, StudioBytes));
    }

    public static byte[] Hash(string secret) => SHA256.HashData(Encoding.UTF8.GetBytes(secret));
}
