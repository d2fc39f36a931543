using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>A coat while it is being planned: where it lies is settled, how much of what is not.</summary>
internal sealed class CandidateCoat
{
    private Coat? coat;

    /// <param name="template">A dust or wash for a coat to be planned, with its place and sides.</param>
    /// <param name="materials">What may be in it; empty for a coat that stays as it is.</param>
    public CandidateCoat(Coat template, IReadOnlyList<string> materials, IReadOnlyList<double> amounts) =>
        (Template, Materials, Amounts) = (template, materials, [.. amounts]);

    public static CandidateCoat Kept(Coat coat) => new(coat, [], []);

    public Coat Template { get; }

    public IReadOnlyList<string> Materials { get; }

    /// <summary>Of each material: mg/cm2 for a dust, g in 1 ml for a wash. 0 or more.</summary>
    public double[] Amounts { get; }

    public bool IsFree => Materials.Count > 0;

    public double Total => Amounts.Sum();

    public CandidateCoat With(IReadOnlyList<double> amounts) => new(Template, Materials, amounts);

    public CandidateCoat Times(double amount) => With([.. Amounts.Select(one => one * amount)]);

    /// <summary>With one material less; the others keep their amounts.</summary>
    public CandidateCoat Without(int material) =>
        new(Template, [.. Materials.Where((_, i) => i != material)], [.. Amounts.Where((_, i) => i != material)]);

    /// <summary>Always the same one, so that what is worked out for it need not be again.</summary>
    public Coat Coat => coat ??= ToCoat();

    private Coat ToCoat()
    {
        if (!IsFree)
            return Template;
        Portion[] mix = [.. Materials.Zip(Amounts).Where(part => part.Second > 0).Select(part => new Portion(part.First, part.Second))];
        return Template switch
        {
            DustCoat dust => dust with { Mix = mix, LoadMgPerCm2 = Total },
            WashCoat wash => wash with { Mix = mix, GPerMl = Total },
            _ => Template,
        };
    }
}
