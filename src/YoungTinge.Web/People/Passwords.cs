using Microsoft.AspNetCore.Identity;
using YoungTinge.Store;
using YoungTinge.Store.People;

namespace YoungTinge.Web.People;

/// <summary>What may be a password, and whether one is right. Hashed as ASP.NET Core Identity does (PBKDF2 with HMAC-SHA512, a salt for each).</summary>
public sealed class Passwords
{
    private static readonly object Nobody = new();

    private static readonly Lazy<IReadOnlySet<string>> Common = new(() =>
    {
        using var reader = new StreamReader(typeof(Passwords).Assembly.GetManifestResourceStream("common-passwords.txt")!);
        return reader.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Where(line => !line.StartsWith('#')).ToHashSet(StringComparer.OrdinalIgnoreCase);
    });

    private readonly PasswordHasher<object> hasher = new();

    /// <summary>Compared with where there is no such name, so that both take as long.</summary>
    private readonly Lazy<string> unknown;

    public Passwords() => unknown = new(() => Hash(Secret.New()));

    public string Hash(string password) => hasher.HashPassword(Nobody, password);

    /// <param name="hash">Null where there is no such person, or she has no password yet.</param>
    public bool IsRight(string? hash, string password) =>
        password.Length <= PersonRules.LongestPassword
        && hasher.VerifyHashedPassword(Nobody, hash ?? unknown.Value, password) != PasswordVerificationResult.Failed && hash is not null;

    /// <summary>What is wrong with a new one; long is good, and nothing else is asked for.</summary>
    /// <param name="names">Hers: a password must not be one of them.</param>
    public static IEnumerable<Fault> Problems(string password, params string[] names)
    {
        if (password.Length < PersonRules.ShortestPassword)
            yield return new Fault("password", "passwordTooShort", PersonRules.ShortestPassword);
        else if (password.Length > PersonRules.LongestPassword)
            yield return new Fault("password", "passwordTooLong", PersonRules.LongestPassword);
        else if (Common.Value.Contains(password) || password.Distinct().Count() < 4 || names.Any(name => name.Length > 0 && password.Equals(name, StringComparison.OrdinalIgnoreCase)))
            yield return new Fault("password", "passwordCommon");
    }
}
