using System.Security.Cryptography;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Pictures;
using YoungTinge.Devices;
using YoungTinge.Store;

namespace YoungTinge.Web.LightBox;

/// <summary>A simulated bench: what lies on it differs from the cabinet's figures, the same way each time for one studio.</summary>
internal static class StandIns
{
    public static HiddenTruth TruthOf(Guid studioId) => new(BitConverter.ToInt32(SHA256.HashData(studioId.ToByteArray())));

    /// <summary>The jars of a cabinet as they came, whatever dabs have taught since; measured as the maker measures them.</summary>
    public static Materials JarsOf(Materials listed)
    {
        var came = StarterCabinet.Load();
        return listed.With(listed.All.Select(material => (came.Find(material.Id), material) switch
        {
            (Colourant jar, Colourant { Units: var units }) => jar with { Units = units },
            ({ } jar, _) => jar,
            _ => material,
        }));
    }

    /// <summary>The jars of a studio as they really are: not what was learned of them, which would be its own truth.</summary>
    public static async Task<Materials> ReallyAsync(Guid studioId, CabinetStore cabinet, CancellationToken cancel) =>
        TruthOf(studioId).Of(JarsOf(await cabinet.ListedAsync(studioId, cancel)));

    /// <returns>How a dab of it really looks; null for what cannot be dabbed.</returns>
    public static Spectrum? Dab(Material material, double amount, PasteBase paste, HiddenTruth truth) => material switch
    {
        Colourant colourant => Dabs.InPaste(colourant, amount, paste, truth),
        Dust dust => Dabs.RubbedOut(dust, amount, paste, truth),
        _ => null,
    };
}

/// <summary>A picture that a camera took, to be taken in like any other.</summary>
/// <param name="Jpeg">The file, base64.</param>
/// <param name="Card">Where its white card lies.</param>
/// <param name="Subject">Where what was photographed lies.</param>
public sealed record ShotView(string Jpeg, Box? Card, Box? Subject)
{
    internal static ShotView From(Shot shot) => new(Convert.ToBase64String(shot.Jpeg), shot.Card, shot.Subject);
}
