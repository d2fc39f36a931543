using System.Text.Json;
using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Tests.Cabinet;

/// <summary>Whatever stands in a sheet: either it is named as impossible, or it becomes a material that can be used at once.</summary>
public class AnySheetTests
{
    private static readonly double?[] Odd = [null, double.NaN, double.PositiveInfinity, 0, 1e12, -0.0];
    private static readonly string[] Names = ["Rowan", "A name with an é", "Rowan, second pot", " ", new string('x', 130)];
    private static readonly string[] Forms = ["gel", "liquid", "powder", "spray", "dip", ""];

    // Mostly not known or sensible, so that many sheets are possible as a whole.
    private static readonly Gen<double?> Numbers = Gen.Frequency(
        (12, Gen.Const((double?)null)), (6, Gen.Double[0.05, 0.9].Select(number => (double?)number)),
        (1, Gen.Double[-1, 200].Select(number => (double?)number)), (1, Gen.Int[0, Odd.Length - 1].Select(i => Odd[i])));

    private static readonly Gen<Lab?> Colours = Gen.OneOf(
        Gen.Const((Lab?)null), Gen.Select(Gen.Double[0, 100], Gen.Double[-50, 50], Gen.Double[-50, 50], (l, a, b) => (Lab?)new Lab(l, a, b)));

    private static readonly Gen<IReadOnlyList<double>?> Spectra = Gen.Frequency(
        (6, Gen.Const((IReadOnlyList<double>?)null)), (6, Gen.Double[0.01, 1].Array[SpectralGrid.Bands].Select(values => (IReadOnlyList<double>?)values)),
        (1, Gen.Double[-1, 3].Array[0, 40].Select(values => (IReadOnlyList<double>?)values)));

    private static readonly Gen<MaterialRecord> Sheets = Gen.Select(
        Gen.Enum<MaterialKind>(), Gen.Int[0, Names.Length - 1], Numbers.Array[12], Colours, Spectra.Array[3], Gen.Int[0, Forms.Length - 1], Gen.Bool,
        (kind, name, numbers, colour, spectra, form, isRetired) => new MaterialRecord
        {
            Kind = kind,
            Name = Names[name],
            Form = Forms[form],
            IsRetired = isRetired,
            StockG = kind.MeasuredIn() == Measure.Grams ? numbers[0] : null,
            StockMl = kind.MeasuredIn() == Measure.Millilitres ? numbers[0] : null,
            StockPieces = kind.MeasuredIn() == Measure.Pieces ? numbers[0] : null,
            PricePerG = numbers[1],
            LoadLimit = numbers[2],
            TouchG = numbers[3],
            LabelGPer100g = numbers[4],
            Gauge = kind == MaterialKind.Wire && numbers[5] is { } number ? Math.Round(14 + 20 * number) : null,
            ShareAtOnce = numbers[6],
            TimeConstantHours = numbers[7],
            Gloss = numbers[8],
            InnerReflection = numbers[9],
            WashDepthMm = numbers[10],
            GlintStrength = numbers[11],
            WetScatter = numbers[9],
            LabelColour = colour,
            Absorption = spectra[0],
            Scattering = spectra[1],
            Reflectance = spectra[2],
        });

    [Fact]
    public void Any_sheet_is_refused_or_becomes_a_material_of_its_kind()
    {
        var possible = 0;
        Sheets.Holds(sheet =>
        {
            if (MaterialRecordCheck.Problems(sheet).Count > 0)
                return;
            Interlocked.Increment(ref possible);
            var material = MaterialFromRecord.Convert(sheet, "new");
            Assert.Equal(sheet.Kind, MaterialKinds.Of(material));
            // It stays possible, and it can be shown beside the others.
            Assert.Empty(MaterialRecordCheck.Problems(MaterialRecord.Of(material)));
            var chip = SwatchColour.Of(material, new Materials([.. TestData.Cabinet.All, material]));
            Assert.Equal(sheet.Kind.HasOptics() || sheet.Kind.HasReflectance(), chip is not null);
            Assert.True(chip is not { } colour || (colour.IsFinite && colour.L is >= 0 and <= 100.001));
        }, turns: 4000);
        Assert.True(possible > 200, $"{possible}");
    }

    [Fact]
    public void What_a_material_holds_is_all_in_its_sheet() => Sheets.Holds(sheet =>
    {
        if (MaterialRecordCheck.Problems(sheet).Count > 0)
            return;
        var once = MaterialRecord.Of(MaterialFromRecord.Convert(sheet, "new"));
        var twice = MaterialRecord.Of(MaterialFromRecord.Convert(once, "unused"));
        Assert.Equal(JsonSerializer.Serialize(once), JsonSerializer.Serialize(twice));
    }, turns: 4000);

    [Fact]
    public void Every_problem_names_a_field_of_the_sheet()
    {
        var fields = typeof(MaterialRecord).GetProperties().Select(property => char.ToLowerInvariant(property.Name[0]) + property.Name[1..]).ToHashSet();
        Sheets.Holds(sheet => Assert.All(MaterialRecordCheck.Problems(sheet), problem => Assert.Contains(problem.Field, fields)), turns: 1500);
    }
}
