using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Cabinet;

/// <summary>
/// A material written out flat, as a form, a line of a table or a JSON file holds it. What does not belong to its kind is null. Figures
/// that were left out get usual ones for its kind and form.
/// </summary>
public sealed record MaterialRecord
{
    /// <summary>Lower-case words joined by hyphens; null lets one be made from the name.</summary>
    public string? Id { get; init; }

    public required string Name { get; init; }

    public required MaterialKind Kind { get; init; }

    /// <summary>What it comes as: gel, powder, spray ...</summary>
    public string Form { get; init; } = "";

    public FoodStatus FoodStatus { get; init; } = FoodStatus.NotFood;

    /// <summary>What makes the colour, in words.</summary>
    public string DyeFamily { get; init; } = "";

    public string Note { get; init; } = "";

    public IReadOnlyList<Ingredient> Contains { get; init; } = [];

    public IReadOnlyList<Diet> NotFor { get; init; } = [];

    public bool IsRetired { get; init; }

    public double? StockG { get; init; }

    public double? StockPieces { get; init; }

    public double? PricePerG { get; init; }

    public double? PricePerPiece { get; init; }

    public double? StockMl { get; init; }

    public double? PricePerMl { get; init; }

    /// <summary>What one pack holds, in the measure of the stock.</summary>
    public double? PackSize { get; init; }

    public string Lot { get; init; } = "";

    public DateOnly? OpenedOn { get; init; }

    public DateOnly? BestBefore { get; init; }

    /// <summary>g per 100 g for a colour, mg/cm2 for a dust.</summary>
    public double? LoadLimit { get; init; }

    /// <summary>Mean mass of one touch of a toothpick.</summary>
    public double? TouchG { get; init; }

    public double? DropG { get; init; }

    public double? PeaG { get; init; }

    public double? KnifeTipG { get; init; }

    public double? PinchG { get; init; }

    /// <summary>Of these units the maker has weighed some; the others are what is usual.</summary>
    public IReadOnlyList<DoseUnitKind> WeighedUnits { get; init; } = [];

    /// <summary>
    /// One colour that it is known by, under daylight: of the paste at <see cref="LabelGPer100g"/> for a colour, of a full cover for a
    /// dust, of itself for the rest. Given, it takes the place of whatever optics were known before, and is rough.
    /// </summary>
    public Lab? LabelColour { get; init; }

    /// <summary>Dose that a colour's label colour shows; 0.5 if it does not say.</summary>
    public double? LabelGPer100g { get; init; }

    public double? Gauge { get; init; }

    /// <summary>Of a core.</summary>
    public double? DiameterMm { get; init; }

    public double? ShareAtOnce { get; init; }

    public double? TimeConstantHours { get; init; }

    public double? Gloss { get; init; }

    public double? OuterReflection { get; init; }

    public double? InnerReflection { get; init; }

    public double? WetMlPerCm2 { get; init; }

    public double? DensityGPerMl { get; init; }

    public double? WashDepthMm { get; init; }

    /// <summary>#rrggbb.</summary>
    public string? GlintTint { get; init; }

    public double? GlintStrength { get; init; }

    public double? GlintHalfLoadMgPerCm2 { get; init; }

    /// <summary>Of a dust: share of its scattering that is left where glaze soaks it, 0 to 1.</summary>
    public double? WetScatter { get; init; }

    /// <summary>Of a paste: how many times as long it dries as flower paste.</summary>
    public double? DriesTimes { get; init; }

    /// <summary>36 values, 380 to 730 nm every 10 nm; in 1/mm for a paste, 1/mm for each g per 100 g for a colour, cm2/mg for a dust.</summary>
    public IReadOnlyList<double>? Absorption { get; init; }

    /// <summary>In the unit of the absorption.</summary>
    public IReadOnlyList<double>? Scattering { get; init; }

    /// <summary>0 to 1.</summary>
    public IReadOnlyList<double>? Reflectance { get; init; }

    public OpticsOrigin Origin { get; init; } = OpticsOrigin.Nominal;

    public double? WorstDeltaE { get; init; }

    public IReadOnlyList<DabReading> Dabs { get; init; } = [];

    /// <summary>Everything that a material holds. Turned back into a material it is the same one.</summary>
    public static MaterialRecord Of(Material material)
    {
        var (label, supply) = (material.Label, material.Supply);
        double? Unit(DoseUnitKind kind) => (material as Colourant)?.Units.FirstOrDefault(unit => unit.Kind == kind)?.MassG;
        IReadOnlyList<double>? Values(Spectrum? spectrum) => spectrum?.Values.ToArray();
        var (colourant, dust, glaze, thinner) = (material as Colourant, material as Dust, material as Glaze, material as Thinner);
        return new MaterialRecord
        {
            Id = material.Id,
            Name = label.Name,
            Kind = MaterialKinds.Of(material),
            Form = label.Form,
            FoodStatus = label.FoodStatus,
            DyeFamily = label.DyeFamily,
            Note = label.Note,
            Contains = label.Contains,
            NotFor = label.NotFor,
            IsRetired = label.IsRetired,
            StockG = supply.StockG,
            StockPieces = supply.StockPieces,
            PricePerG = supply.PricePerG,
            PricePerPiece = supply.PricePerPiece,
            StockMl = supply.StockMl,
            PricePerMl = supply.PricePerMl,
            PackSize = supply.PackSize,
            Lot = supply.Lot,
            OpenedOn = supply.OpenedOn,
            BestBefore = supply.BestBefore,
            LoadLimit = colourant?.LoadLimitGPer100g ?? dust?.LoadLimitMgPerCm2,
            TouchG = Unit(DoseUnitKind.Touch),
            DropG = Unit(DoseUnitKind.Drop),
            PeaG = Unit(DoseUnitKind.Pea),
            KnifeTipG = Unit(DoseUnitKind.KnifeTip),
            PinchG = Unit(DoseUnitKind.Pinch),
            WeighedUnits = [.. ((material as Colourant)?.Units ?? []).Where(unit => unit.IsWeighed).Select(unit => unit.Kind)],
            Gauge = (material as Wire)?.Gauge,
            DiameterMm = (material as CoreBall)?.DiameterMm,
            ShareAtOnce = colourant?.Development.ShareAtOnce,
            TimeConstantHours = colourant?.Development.TimeConstantHours,
            Gloss = glaze?.Gloss,
            OuterReflection = glaze?.OuterReflection,
            InnerReflection = glaze?.InnerReflection,
            WetMlPerCm2 = glaze?.WetMlPerCm2,
            DensityGPerMl = thinner?.DensityGPerMl,
            WashDepthMm = thinner?.WashDepthMm,
            GlintTint = dust?.Glint?.Tint.ToHex(),
            GlintStrength = dust?.Glint?.Strength,
            GlintHalfLoadMgPerCm2 = dust?.Glint?.HalfLoadMgPerCm2,
            WetScatter = dust?.WetScatter,
            DriesTimes = (material as PasteBase)?.DriesTimes,
            Absorption = Values(OpticsOf(material)?.Absorption),
            Scattering = Values(OpticsOf(material)?.Scattering),
            Reflectance = Values(ReflectanceOf(material)),
            Origin = material.Source.Origin,
            WorstDeltaE = material.Source.WorstDeltaE,
            Dabs = material.Source.Dabs,
        };
    }

    /// <summary>Null for what has none.</summary>
    public static KubelkaMunkSpectra? OpticsOf(Material material) => material switch
    {
        PasteBase paste => paste.Optics,
        Colourant colourant => colourant.Optics,
        Dust dust => dust.Optics,
        _ => null,
    };

    /// <summary>Null for what has no face of its own colour.</summary>
    public static Spectrum? ReflectanceOf(Material material) => material switch
    {
        Wire wire => wire.Reflectance,
        Tape tape => tape.Reflectance,
        Stamens stamens => stamens.Reflectance,
        Crumb crumb => crumb.Reflectance,
        _ => null,
    };
}
