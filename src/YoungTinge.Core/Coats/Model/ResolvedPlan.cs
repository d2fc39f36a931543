using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Model;

/// <summary>A plan with all that it names looked up in the cabinet, once: what all computing works on.</summary>
public sealed class ResolvedPlan
{
    /// <summary>The plan may name nothing that the cabinet does not have: it is checked before.</summary>
    /// <param name="source">What the piece is shaped from; its own recipe by default.</param>
    /// <exception cref="KeyNotFoundException">It names something that is not there.</exception>
    public ResolvedPlan(PiecePlan plan, Materials cabinet, PasteSource? source = null)
        : this(plan, cabinet, source is null or OwnPaste ? new OwnPaste(plan.Paste, cabinet) : source, [.. plan.Coats.Select(coat => coat.Resolve(cabinet))])
    {
    }

    private ResolvedPlan(PiecePlan plan, Materials cabinet, PasteSource source, IReadOnlyList<ResolvedCoat> coats) =>
        (Plan, Cabinet, Source, Coats) = (source.Carried(plan), cabinet, source, coats);

    /// <summary>As it is carried out: its paste is that of the source.</summary>
    public PiecePlan Plan { get; }

    /// <summary>What the piece is shaped from.</summary>
    public PasteSource Source { get; }

    /// <summary>Which piece of its whorl is looked at, from 0: what is cut from a marble differs from piece to piece.</summary>
    public int Number { get; private init; }

    /// <summary>How the piece stands in its flower; null for a loose one, of which every coat reaches all.</summary>
    public StandingPiece? Standing { get; init; }

    /// <summary>That it was resolved against.</summary>
    public Materials Cabinet { get; }

    /// <summary>K and S of the coloured paste when its colour has come out, in 1/mm.</summary>
    public KubelkaMunkSpectra Paste => Source.Optics;

    /// <summary>In order, first on the paste.</summary>
    public IReadOnlyList<ResolvedCoat> Coats { get; }

    /// <summary>What the coats of one side do to the light; null where a coat is not on it.</summary>
    public IReadOnlyList<Layer?> LayersOn(Side side)
    {
        var reach = Standing?.ReachOf(Plan.Coats);
        return [.. Coats.Select((coat, i) => coat.Coat.IsOn(side) && (side == Side.Face || reach?[i] is null or { IsBackOpen: true }) ? coat.Layer : null)];
    }

    /// <summary>The same paste under other coats; those that were there already are not looked up again.</summary>
    public ResolvedPlan With(IReadOnlyList<Coat> coats) => With(Plan with { Coats = coats });

    /// <summary>Another plan of the same piece.</summary>
    public ResolvedPlan With(PiecePlan plan) => new(
        plan, Cabinet, Source is OwnPaste && !ReferenceEquals(plan.Paste, Plan.Paste) ? new OwnPaste(plan.Paste, Cabinet) : Source,
        (IReadOnlyList<ResolvedCoat>)[.. plan.Coats.Select(coat => Coats.FirstOrDefault(known => ReferenceEquals(known.Coat, coat)) ?? coat.Resolve(Cabinet))])
    {
        Number = Number,
        Standing = Standing,
    };

    /// <summary>Another piece of the same whorl.</summary>
    public ResolvedPlan Piece(int number) => new(Plan, Cabinet, Source, Coats) { Number = number, Standing = Standing };
}
