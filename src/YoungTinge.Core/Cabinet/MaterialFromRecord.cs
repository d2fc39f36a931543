using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Cabinet;

/// <summary>Makes a material of a sheet; what the sheet leaves out is what is usual for its kind and form.</summary>
public static class MaterialFromRecord
{
    private const double UsualLabelGPer100g = 0.5;
    private const double UsualColourLimitGPer100g = 3;
    private const double UsualDustLimitMgPerCm2 = 0.7;

    // White paste without any other on the shelf.
    private static readonly KubelkaMunkSpectra PlainPaste = ((PasteBase)StarterCabinet.Load().All.First(material => material is PasteBase)).Optics;

    /// <param name="sheet">Without problems (see <see cref="MaterialRecordCheck"/>).</param>
    /// <param name="id">For a sheet without one.</param>
    /// <param name="paste">That a label colour is taken to show it in; null for plain white.</param>
    public static Material Convert(MaterialRecord sheet, string id, KubelkaMunkSpectra? paste = null)
    {
        var label = new Label(sheet.Id ?? id, sheet.Name.Trim(), sheet.Form.Trim(), sheet.FoodStatus, sheet.DyeFamily.Trim(), sheet.Note.Trim())
        {
            NotFor = sheet.NotFor,
            Contains = sheet.Contains,
            IsRetired = sheet.IsRetired,
        };
        var rough = (sheet.Kind.HasOptics() || sheet.Kind.HasReflectance()) && sheet.LabelColour is not null;
        return OfKind(sheet, label, paste ?? PlainPaste) with
        {
            Supply = new Supply(sheet.StockG, sheet.PricePerG)
            {
                StockPieces = sheet.StockPieces,
                PricePerPiece = sheet.PricePerPiece,
                StockMl = sheet.StockMl,
                PricePerMl = sheet.PricePerMl,
                PackSize = sheet.PackSize,
                Lot = sheet.Lot.Trim(),
                OpenedOn = sheet.OpenedOn,
                BestBefore = sheet.BestBefore,
            },
            Source = rough ? new OpticsSource(OpticsOrigin.Label, null) : new OpticsSource(sheet.Origin, sheet.WorstDeltaE) { Dabs = sheet.Dabs },
        };
    }

    private static Material OfKind(MaterialRecord sheet, Label label, KubelkaMunkSpectra paste) => sheet.Kind switch
    {
        MaterialKind.Paste => new PasteBase(label, Optics(sheet, look => Scaled(look, paste))) { DriesTimes = sheet.DriesTimes ?? 1 },
        MaterialKind.Colourant => new Colourant(
            label, Optics(sheet, look => FromSwatch.Colourant(look, sheet.LabelGPer100g ?? UsualLabelGPer100g, paste)),
            sheet.LoadLimit ?? UsualColourLimitGPer100g, Development(sheet))
        {
            Units = [.. Units(sheet)],
        },
        MaterialKind.Dust => Dust(sheet, label, DustKind.Matte, UsualDustLimitMgPerCm2),
        MaterialKind.Lustre => Dust(sheet, label, DustKind.Lustre, UsualDustLimitMgPerCm2) with { Glint = Glint(sheet) },
        MaterialKind.Extender => Dust(sheet, label, DustKind.Extender, 1),
        MaterialKind.Glaze => Glaze(sheet, label),
        MaterialKind.Thinner => new Thinner(label, sheet.DensityGPerMl ?? 0.79, sheet.WashDepthMm ?? 0.15),
        MaterialKind.Crumb => new Crumb(label, Face(sheet)),
        MaterialKind.Adhesive => new Adhesive(label),
        MaterialKind.Wire => new Wire(label, Face(sheet)) { Gauge = (int?)sheet.Gauge },
        MaterialKind.Tape => new Tape(label, Face(sheet)),
        MaterialKind.Stamens => new Stamens(label, Face(sheet)),
        MaterialKind.Core => new CoreBall(label, sheet.DiameterMm!.Value),
        _ => throw new ArgumentException($"Unknown kind {sheet.Kind}.", nameof(sheet)),
    };

    private static Dust Dust(MaterialRecord sheet, Label label, DustKind kind, double usualLimitMgPerCm2)
    {
        var dust = new Dust(label, kind, Optics(sheet, look => FromSwatch.Dust(look)), sheet.LoadLimit ?? usualLimitMgPerCm2);
        return sheet.WetScatter is { } wet ? dust with { WetScatter = wet } : dust;
    }

    /// <summary>A label colour, where one is given, speaks for a new look; else the figures that came along.</summary>
    private static KubelkaMunkSpectra Optics(MaterialRecord sheet, Func<Spectrum, KubelkaMunkSpectra> rough) => sheet.LabelColour is { } colour
        ? Bounded(rough(ReflectanceFromColour.Convert(colour)))
        : new KubelkaMunkSpectra(Spectrum(sheet.Absorption), Spectrum(sheet.Scattering));

    /// <summary>A label that is nearly black, or shown at next to no dose, must not make a colour that no sheet may hold.</summary>
    private static KubelkaMunkSpectra Bounded(KubelkaMunkSpectra optics) => new(
        optics.Absorption.Map(value => Math.Min(value, MaterialRecordCheck.MostOptics)), optics.Scattering.Map(value => Math.Min(value, MaterialRecordCheck.MostOptics)));

    private static Spectrum Face(MaterialRecord sheet) =>
        sheet.LabelColour is { } colour ? ReflectanceFromColour.Convert(colour) : Spectrum(sheet.Reflectance);

    private static Spectrum Spectrum(IReadOnlyList<double>? values) =>
        new(values?.ToArray() ?? throw new ArgumentException("The sheet has neither a colour nor a spectrum."));

    /// <summary>A paste that scatters as the plain one and absorbs what makes it this colour.</summary>
    private static KubelkaMunkSpectra Scaled(Spectrum look, KubelkaMunkSpectra paste) =>
        paste with { Absorption = Colour.Spectrum.From(band => KubelkaMunk.RatioFromReflectance(look[band]) * paste.Scattering[band]) };

    private static Development Development(MaterialRecord sheet)
    {
        var (share, hours) = sheet.Form.Trim().ToLowerInvariant() switch
        {
            "liquid" => (0.85, 4.0),
            "powder" => (0.65, 8.0),
            "paste" => (0.76, 6.0),
            _ => (0.78, 6.0),
        };
        return new Development(sheet.ShareAtOnce ?? share, sheet.TimeConstantHours ?? hours);
    }

    private static IEnumerable<DoseUnit> Units(MaterialRecord sheet)
    {
        foreach (var (kind, mass) in new[]
        {
            (DoseUnitKind.Touch, sheet.TouchG), (DoseUnitKind.Drop, sheet.DropG), (DoseUnitKind.KnifeTip, sheet.KnifeTipG), (DoseUnitKind.Pea, sheet.PeaG),
            (DoseUnitKind.Pinch, sheet.PinchG),
        })
        {
            if (mass is { } grams)
                yield return new DoseUnit(kind, grams) { IsWeighed = sheet.WeighedUnits.Contains(kind) };
        }
    }

    private static Glint? Glint(MaterialRecord sheet) => Srgb.TryParseHex(sheet.GlintTint, out var tint)
        ? new Glint(tint, sheet.GlintStrength ?? 0.6, sheet.GlintHalfLoadMgPerCm2 ?? 0.15)
        : null;

    private static Glaze Glaze(MaterialRecord sheet, Label label)
    {
        var (gloss, inner, wet) = sheet.Form.Trim().ToLowerInvariant() switch
        {
            "dip" => (0.80, 0.42, 0.0040),
            "satin" => (0.28, 0.36, 0.0020),
            "leaf" => (0.60, 0.40, 0.0025),
            _ => (0.38, 0.40, 0.0015),
        };
        return new Glaze(label, sheet.Gloss ?? gloss, sheet.OuterReflection ?? 0.04, sheet.InnerReflection ?? inner, sheet.WetMlPerCm2 ?? wet);
    }
}
