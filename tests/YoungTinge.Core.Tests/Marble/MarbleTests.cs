using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Work;

namespace YoungTinge.Core.Tests.Marble;

public class MarbleTests
{
    private const double Grams = 110;
    private const double ThicknessMm = 0.6;

    private static readonly MarblePlan Moonlit = new(
        [
            new(TestData.Recipe(("woad", 1.23), ("sloe", 0.86), ("vetch", 0.39)), 2),
            new(new PasteRecipe("pale-grey-paste", [new Dose("woad", 0.26), new Dose("vetch", 0.12)]), 2),
            new(new PasteRecipe("pale-grey-paste", []), 1),
        ],
        1, 4, 0.4, [], Grams, 7);

    private static RolledMarble Sheet(MarblePlan plan, int? folds = null) => RolledMarble.Of(plan, folds ?? plan.Folds, Grams, ThicknessMm, TestData.Cabinet);

    [Fact]
    public void However_it_is_kneaded_each_paste_keeps_its_share_of_the_sheet() =>
        Gen.Select(Gen.Int[0, 12], Gen.Double[0, 1], Gen.Int[1, 3], Gen.Int[1, 1000]).Holds((folds, twist, repeats, seed) =>
        {
            var plan = Moonlit with { Twist = twist, Repeats = repeats, Seed = seed };
            Assert.All(Sheet(plan, folds).AreaShares().Zip(plan.Shares()), share => Assert.Equal(share.Second, share.First, 0.005));
        }, turns: 60);

    [Theory]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    public void Each_fold_halves_the_streaks(int folds)
    {
        var plan = Moonlit with { Twist = 0 };
        Assert.Equal(0.5, Sheet(plan, folds + 1).Seen().StreakMm.Wide / Sheet(plan, folds).Seen().StreakMm.Wide, 0.05);
    }

    [Fact]
    public void More_smearing_never_raises_contrast() =>
        Gen.Select(Gen.Int[1, 10], Gen.Double[0, 1], Gen.Int[1, 1000], Gen.Double[0, 0.1]).Holds((folds, twist, seed, smearMm) =>
        {
            double Spread(double smear)
            {
                var block = new MarbledBlock([0.4, 0.6], 1, folds, twist, 45, seed, smear);
                Span<double> mix = stackalloc double[2];
                var sum = 0.0;
                for (var i = 0; i < 1500; i++)
                {
                    block.SharesAt((i + 0.5) / 1500, i * 0.618034 % 1, 0, mix);
                    sum += Math.Pow(mix[0] - 0.4, 2);
                }

                return sum;
            }

            Assert.InRange(Spread(smearMm + 0.01), 0, Spread(smearMm) * 1.0001 + 1e-9);
        }, turns: 60);

    /// <summary>
    /// Without a twist a fold halves every wave of the stripes; a smear after each fold takes from a wave what a Gaussian takes. Both are
    /// summed here over the harmonics of a square wave, with no picture at all.
    /// </summary>
    [Theory]
    [InlineData(1, 0.5)]
    [InlineData(3, 0.2)]
    [InlineData(5, 0.06)]
    [InlineData(7, 0.01)]
    [InlineData(7, 0.03)]
    public void What_smearing_leaves_of_two_equal_stripes_is_what_Fourier_says(int folds, double smearMm)
    {
        const double sideMm = 45;
        var perFold = Enumerable.Range(1, folds).Sum(fold => Math.Pow(4, fold)) * Math.Pow(smearMm / sideMm, 2);
        var expected = Enumerable.Range(0, 200).Select(i => 2 * i + 1).Sum(wave => 2 / Math.Pow(Math.PI * wave, 2) * Math.Exp(-Math.Pow(2 * Math.PI * wave, 2) * perFold));

        var seen = Enumerable.Range(1, 12).Average(seed =>
        {
            var block = new MarbledBlock([0.5, 0.5], 1, folds, 0, sideMm, seed, smearMm);
            Span<double> mix = stackalloc double[2];
            var sum = 0.0;
            for (var i = 0; i < 4000; i++)
            {
                block.SharesAt((i + 0.5) / 4000, i * 0.618034 % 1, 0, mix);
                sum += Math.Pow(mix[0] - 0.5, 2) / 4000;
            }

            return sum;
        });
        // An unsteady hand leans the streaks a little, which brings them nearer to each other.
        Assert.InRange(seen, 0.75 * expected, 1.1 * expected + 1e-6);
    }

    [Theory]
    [InlineData(0.49, PiecesAlike.Same)]
    [InlineData(1.99, PiecesAlike.Alike)]
    [InlineData(2, PiecesAlike.Different)]
    public void How_alike_pieces_are_is_told_in_a_word(double deltaE, PiecesAlike word) => Assert.Equal(word, new Likeness(deltaE).Word);

    [Fact]
    public void Folded_too_far_it_is_the_mix_of_its_pastes()
    {
        var lumps = Moonlit.Stripes.Zip(Moonlit.Shares(), (stripe, share) => new PasteLump(share * Grams, PasteOptics.Mix(stripe.Recipe, TestData.Cabinet)));
        var mixed = lumps.Aggregate((one, other) => one.With(other)).Colour;
        var sheet = Sheet(Moonlit, MarblePlan.MostFolds);
        Assert.InRange(DeltaE2000.Between(mixed, sheet.FlatColour), 0, 1e-6);
        Assert.Equal(MarbleLook.Flat, sheet.Seen().Look);
        var picture = sheet.Picture(60, 40, 30);
        var flat = ScreenColour.From(mixed, Illuminant.D65);
        Assert.All(Enumerable.Range(0, 30 * 20), i => Assert.InRange(Math.Abs(picture.Rgb[3 * i] - Srgb.Byte(flat.R)), 0, 3));
    }

    [Fact]
    public void It_goes_from_ribbons_by_veins_and_haze_to_flat_and_never_back()
    {
        var seen = Enumerable.Range(0, 13).Select(folds => Sheet(Moonlit with { Twist = 0.3 }, folds).Seen()).ToList();
        Assert.Equal(Enum.GetValues<MarbleLook>(), seen.Select(one => one.Look).Distinct());
        Assert.Equal(seen.Select(one => one.Look).Order(), seen.Select(one => one.Look));
        Assert.All(seen.Zip(seen.Skip(1)), pair => Assert.InRange(pair.Second.Contrast, 0, pair.First.Contrast + 0.3));
    }

    [Fact]
    public void The_same_plan_gives_the_same_picture_and_each_piece_another()
    {
        var petal = TestPlans.Petal;
        Assert.Equal(Sheet(Moonlit).Picture(80, 60, 60).Rgb, Sheet(Moonlit).Picture(80, 60, 60).Rgb);
        Assert.NotEqual(Sheet(Moonlit).Picture(80, 60, 60).Rgb, Sheet(Moonlit with { Seed = 8 }).Picture(80, 60, 60).Rgb);
        Assert.Equal(Sheet(Moonlit).Cut(petal, 3, 40).Rgb, Sheet(Moonlit).Cut(petal, 3, 40).Rgb);
        Assert.NotEqual(Sheet(Moonlit).Cut(petal, 3, 40).Rgb, Sheet(Moonlit).Cut(petal, 4, 40).Rgb);
    }

    [Fact]
    public void The_finer_the_streaks_the_more_alike_the_pieces()
    {
        var bold = Sheet(Moonlit, 2).LikenessOf(TestPlans.Petal, 10).DeltaE;
        var fine = Sheet(Moonlit, 6).LikenessOf(TestPlans.Petal, 10).DeltaE;
        Assert.InRange(bold, 4, 40);
        Assert.InRange(fine, 0, bold / 4);
        Assert.Equal(0, Sheet(Moonlit, MarblePlan.MostFolds).LikenessOf(TestPlans.Petal, 10).DeltaE, 0.01);
    }

    [Fact]
    public void A_thinner_sheet_is_wider_and_so_are_its_streaks()
    {
        var thick = RolledMarble.Of(Moonlit, 5, Grams, 1.2, TestData.Cabinet);
        var thin = RolledMarble.Of(Moonlit, 5, Grams, 0.3, TestData.Cabinet);
        Assert.Equal(2, thin.SideMm / thick.SideMm, 1e-9);
        Assert.Equal(2, thin.Seen().StreakMm.Wide / thick.Seen().StreakMm.Wide, 0.1);
        // Paste is neither made nor lost by rolling.
        Assert.Equal(Grams / PasteBase.DensityGPerCm3, thin.SideMm * thin.SideMm * 0.3 / 1000, 1e-6);
    }

    [Fact]
    public void A_beginning_marbles_the_first_whorl_and_takes_its_paste_and_thickness()
    {
        var bud = new PlannedWork(Guid.NewGuid(), TestPlans.Petal with { Solid = true, ThicknessMm = 9 }, 3, TestPlans.Plan());
        var petals = new PlannedWork(Guid.NewGuid(), TestPlans.Petal, 9, TestPlans.Plan());
        var plan = MarblePlan.Suggest([bud, petals]);
        Assert.Equal([petals.PieceId], plan.PieceIds);
        Assert.Equal(petals.Plan.Paste, plan.Stripes[0].Recipe);
        Assert.Empty(MarbleCheck.Problems(plan, [bud, petals]));
        Assert.Equal(PasteQuantity.For(petals.Piece, 9).BatchG, plan.Grams([bud, petals]));
        Assert.Equal(TestPlans.Petal.ThicknessMm, plan.ThicknessMm([bud, petals]));
        Assert.Equal(MarblePlan.UsualThicknessMm, (plan with { PieceIds = [bud.PieceId] }).ThicknessMm([bud, petals]));
    }

    [Fact]
    public void What_cannot_be_is_said_at_its_field()
    {
        MarbleProblemCode[] Codes(MarblePlan plan) => [.. MarbleCheck.Problems(plan, []).Select(problem => problem.Code).Distinct()];
        MarblePlan WithParts(params double[] parts) => Moonlit with { Stripes = [.. parts.Select(part => Moonlit.Stripes[0] with { Parts = part })] };
        Assert.Empty(Codes(Moonlit));
        Assert.Equal([MarbleProblemCode.NothingInIt], Codes(WithParts(0, 0, 0)));
        Assert.Equal([MarbleProblemCode.NothingInIt], Codes(WithParts(0, 2, 0)));
        Assert.Empty(Codes(WithParts(1, 0, 2)));
        Assert.Equal([MarbleProblemCode.TooFewPastes], Codes(WithParts(1)));
        Assert.Equal([MarbleProblemCode.TooManyPastes], Codes(WithParts(1, 1, 1, 1, 1)));
        Assert.Equal([MarbleProblemCode.PartsOutOfRange], Codes(WithParts(1, 1, -1)));
        Assert.Equal([MarbleProblemCode.TooManyFolds], Codes(Moonlit with { Folds = 40 }));
        Assert.Equal([MarbleProblemCode.TooManyRepeats], Codes(Moonlit with { Repeats = 0 }));
        Assert.Equal([MarbleProblemCode.TwistOutOfRange], Codes(Moonlit with { Twist = double.NaN }));
        Assert.Equal([MarbleProblemCode.MassOutOfRange], Codes(Moonlit with { OtherG = 0 }));
        Assert.Equal([MarbleProblemCode.UnknownPiece], Codes(Moonlit with { PieceIds = [Guid.NewGuid()] }));
        // A paste with no part is as if it were not there.
        var without = Moonlit with { Stripes = [Moonlit.Stripes[0], Moonlit.Stripes[1]] };
        var withNone = Moonlit with { Stripes = [.. without.Stripes, Moonlit.Stripes[2] with { Parts = 0 }] };
        Assert.Equal(Sheet(without).Picture(40, 30, 20).Rgb, Sheet(withNone).Picture(40, 30, 20).Rgb);
    }
}
