using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Model;

/// <summary>
/// What a kind of piece is shaped from: exactly one of its own recipe, a shade of a run, a marbled batch, a batch that was made. All that
/// is computed of a piece is computed of this, so a paste that is kept elsewhere cannot differ from what the piece shows.
/// </summary>
public abstract class PasteSource(PasteRecipe recipe, KubelkaMunkSpectra optics)
{
    private Lab? colour;

    /// <summary>What is in it; of a marble as if it were kneaded through.</summary>
    public PasteRecipe Recipe { get; } = recipe;

    /// <summary>K and S when its colour has come out, in 1/mm; of a marble those of one paste that looks as its streaks do together.</summary>
    public KubelkaMunkSpectra Optics { get; } = optics;

    /// <summary>Rested, under daylight.</summary>
    public Lab Colour => colour ??= Illuminant.D65.LabOf(KubelkaMunk.Opaque(Optics));

    /// <summary>The plan as it is carried out: on this paste, whatever recipe it was made with. What its paste should look like stays.</summary>
    public PiecePlan Carried(PiecePlan plan) => this is OwnPaste ? plan : plan with { Paste = Recipe };
}

/// <summary>Mixed for the piece, by the recipe in its plan.</summary>
public sealed class OwnPaste(PasteRecipe recipe, Materials cabinet) : PasteSource(recipe, PasteOptics.Mix(recipe, cabinet));

/// <summary>A shade of a run.</summary>
/// <param name="flowerId">That the run was planned for.</param>
/// <param name="shade">From 0.</param>
/// <param name="shades">How many the run has.</param>
public sealed class ShadePaste(Guid flowerId, int shade, int shades, PasteRecipe recipe, Materials cabinet) : PasteSource(recipe, PasteOptics.Mix(recipe, cabinet))
{
    public Guid FlowerId { get; } = flowerId;

    public int Shade { get; } = shade;

    public int Shades { get; } = shades;
}

/// <summary>Cut from a marbled sheet.</summary>
/// <param name="flowerId">That the marble was planned for.</param>
/// <param name="sheet">As it is rolled for all that is cut from it.</param>
public sealed class MarbledPaste(Guid flowerId, MarblePlan plan, RolledMarble sheet)
    : PasteSource(PasteRecipe.Kneaded([.. plan.Stripes.Select(stripe => (stripe.Recipe, stripe.Parts))]), sheet.SeenTogether())
{
    public Guid FlowerId { get; } = flowerId;

    public RolledMarble Sheet { get; } = sheet;
}

/// <summary>A batch that was made, and lies ready.</summary>
/// <param name="leftG">What there is of it.</param>
public sealed class BatchPaste(Guid batchId, string name, MadeBatch batch, double leftG, Materials cabinet) : PasteSource(batch.Recipe, batch.Optics(cabinet))
{
    public Guid BatchId { get; } = batchId;

    public string Name { get; } = name;

    public double LeftG { get; } = leftG;
}
