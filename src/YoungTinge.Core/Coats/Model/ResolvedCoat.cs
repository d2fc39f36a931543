using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Model;

/// <summary>Coats of a lower stage come first: dust, then paint, all set by steam, then what steam would spoil.</summary>
public enum CoatStage
{
    Dust,
    Paint,
    Steam,
    Lustre,
    Glaze,
    Pollen,

    /// <summary>What goes over the flower as it stands.</summary>
    Assembled,
}

/// <summary>A slip of the hand with a coat: one pass or coat more, and whose.</summary>
public sealed record CoatSlip(Coat Coat, string MaterialId);

/// <summary>A coat with all that it names looked up in the cabinet: what all computing works on.</summary>
public abstract class ResolvedCoat(Coat coat, Materials cabinet)
{
    /// <summary>Points along and across for the mean of a mask; the mean is then within about 1 %.</summary>
    private const int Grid = 60;

    private Layer? layer;

    public Coat Coat { get; } = coat;

    public Guid Id => Coat.Id;

    public CoatStage Stage { get; } = coat.StageIn(cabinet);

    /// <summary>What it does to the light.</summary>
    public Layer Layer => layer ??= ToLayer();

    /// <summary>What its pot looks like by itself, on white paste under daylight; null for steam and a clear glaze.</summary>
    public virtual Lab? Pot => null;

    /// <summary>Whether its edge is brushed out; what is drawn or stuck on ends where it ends.</summary>
    public virtual bool IsBlendedOut => false;

    /// <summary>Until anything else may touch the piece, in minutes; 0 for none.</summary>
    public virtual double WaitMinutes => 0;

    /// <summary>Between two layers of it, in minutes; what it waits for all else where it has but one.</summary>
    public virtual double WaitBetweenMinutes => WaitMinutes;

    /// <summary>What one slip of the hand makes of it; null where a hand cannot slip.</summary>
    public virtual CoatSlip? OneSlip => null;

    /// <summary>With what it is done in one go.</summary>
    public abstract CoatPassKey Pass { get; }

    /// <summary>What it takes for all pieces and all its layers.</summary>
    public abstract CoatAmount AmountFor(PieceShape shape, int pieces);

    /// <summary>What is mixed for it, once for all pieces that get the same; null if nothing is.</summary>
    public virtual CoatMix? Mix => null;

    /// <summary>Of what is mixed for it, the least that it can be done with, whatever it takes; in ml, 0 for none.</summary>
    public virtual double LeastPotMl(PieceShape shape) => 0;

    /// <summary>To get ready for it at the bench, in minutes, however many pieces there are.</summary>
    public abstract double SetUpMinutes { get; }

    /// <summary>Hand in hand with the pieces, in minutes, drying left out: the more of a piece it touches, the longer.</summary>
    public abstract double HandMinutesFor(PieceShape shape, int pieces);

    /// <summary>At the bench, in minutes, drying left out.</summary>
    public double BenchMinutesFor(PieceShape shape, int pieces) => SetUpMinutes + HandMinutesFor(shape, pieces);

    /// <summary>What is to do for it with the pieces, in order; what is mixed for it is there already.</summary>
    public abstract IEnumerable<RunStep> StepsFor(PieceShape shape, int pieces);

    /// <summary>What will be regretted if it goes on a face as it is then.</summary>
    public abstract IEnumerable<PlanAdvice> AdviceOn(FaceState face);

    /// <summary>The face when it has been laid.</summary>
    public abstract FaceState LaidOn(FaceState face);

    protected abstract Layer ToLayer();

    protected PlanAdvice Advise(AdviceCode code, string? materialId = null) => new(code, Id, materialId);

    /// <summary>Of the time for a whole side, what the part of it takes that is touched.</summary>
    protected double TimeShareOn(PieceShape shape) => Math.Max(BenchMinutes.LeastTouch, Math.Min(1, MeanShareOn(shape)));

    /// <summary>Of one side: mean of where the coat is full, or the share that its strokes hide; 0 to 1.</summary>
    protected double MeanShareOn(PieceShape shape)
    {
        if (Coat is not IPlacedCoat placed)
            return 1;
        var cover = Coat.DetailOn(shape)?.Cover;
        var (cellAcrossMm, cellAlongMm) = (shape.WidthMm / Grid, shape.LengthMm / Grid);
        return shape.Cells(Grid, placed.Place.NeedsEdge).Select(point => cover?.ShareOf(point.XMm, point.YMm, cellAcrossMm, cellAlongMm) ?? placed.Place.MaskAt(point, shape.Veins))
            .DefaultIfEmpty(0).Average();
    }
}
