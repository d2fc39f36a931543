using System.Security.Cryptography;
using System.Text;
using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>A short name for a cabinet as it stands.</summary>
internal static class CabinetState
{
    /// <summary>Another one after every change of any material.</summary>
    public static string Of(Guid studioId, IEnumerable<KeptMaterial> kept)
    {
        var words = string.Join('\n', kept.Select(one => $"{one.Material.Id} {one.Version}").Prepend(studioId.ToString()));
        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(words)))[..32];
    }
}
