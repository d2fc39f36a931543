using System.Text.Json.Serialization;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <summary>
/// One step that changes a piece's colour after the paste, as it is planned and kept. Each kind has a folder beside this file with all
/// that is particular to it, and stands in <see cref="CoatKinds"/>.
/// </summary>
/// <param name="Id">Stays with the coat when it is moved or changed.</param>
public abstract record Coat(Guid Id)
{
    /// <summary>The planner leaves it as it is and plans round it.</summary>
    public bool IsLocked { get; init; }

    /// <summary>It goes over the flower as it stands, not on the loose piece.</summary>
    public bool AfterAssembly { get; init; }

    /// <summary>Of the stages of its flower, that it goes on after; null for when all of the flower stands.</summary>
    public Guid? AfterStageId { get; init; }

    /// <summary>Whether the planner leaves it as it is: locked, or nothing that it could choose.</summary>
    public virtual bool IsFixed() => IsLocked || AfterAssembly;

    /// <summary>Where it belongs among the coats of a piece.</summary>
    public CoatStage StageIn(Materials cabinet) => AfterAssembly ? CoatStage.Assembled : LooseStageIn(cabinet);

    /// <summary>Where it belongs among the coats of a loose piece.</summary>
    protected abstract CoatStage LooseStageIn(Materials cabinet);

    public virtual bool IsOn(Side side) => true;

    /// <summary>Strokes or specks painted on purpose, not what lies all over its place.</summary>
    [JsonIgnore]
    public virtual bool IsDetail => false;

    /// <summary>Of all that goes on with it.</summary>
    public abstract IEnumerable<string> MaterialIds();

    /// <summary>What cannot be in it.</summary>
    /// <param name="path">Of the coat, as in the plan's JSON.</param>
    public abstract IEnumerable<PlanProblem> Problems(string path, Materials cabinet);

    /// <summary>With all that it names looked up.</summary>
    /// <exception cref="KeyNotFoundException">It names what the cabinet does not have: a plan is checked before it is resolved.</exception>
    public abstract ResolvedCoat Resolve(Materials cabinet);

    /// <summary>How much of the full load lies at a point, 0 or more.</summary>
    /// <param name="dustShare">Of any dust that the veins there take.</param>
    public virtual double ShareAt(PiecePoint point, VeinPattern veins, double dustShare) => 1;

    /// <summary>Painted by hand as shapes on a piece; null for what lies all over its place.</summary>
    public virtual PaintedDetail? DetailOn(PieceShape shape) => null;

    /// <summary>The same coat by a hand that strays.</summary>
    /// <param name="share">Of the load that is planned.</param>
    /// <param name="seed">For the strokes.</param>
    public virtual Coat Strayed(double share, int seed) => this;
}

/// <summary>A coat that lies on a place of one side or both.</summary>
public interface IPlacedCoat
{
    Place Place { get; }

    Sides Sides { get; }
}
