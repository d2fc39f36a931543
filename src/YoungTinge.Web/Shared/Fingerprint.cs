using System.Security.Cryptography;
using System.Text.Json;
using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>Tells whether what a step asks a maker to do has changed since it was ticked.</summary>
internal static class Fingerprint
{
    public const int Longest = 64;

    /// <summary>Changes whenever anything in the step does.</summary>
    public static string Of<T>(T step) => Convert.ToHexStringLower(SHA256.HashData(JsonSerializer.SerializeToUtf8Bytes(step, PlanJson.Options)))[..16];
}
