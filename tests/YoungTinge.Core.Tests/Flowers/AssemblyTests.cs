using CsCheck;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Tests.Flowers;

public class AssemblyTests
{
    private static IReadOnlyList<PieceOfFlower> PiecesOf(LibraryFlower flower) =>
        [.. flower.Pieces.Select(piece => new PieceOfFlower(Guid.NewGuid(), piece.Piece, 5))];

    [Fact]
    public void The_house_puts_every_flower_of_the_library_together_without_fault()
    {
        foreach (var flower in FlowerLibrary.All)
        {
            var (pieces, id) = (PiecesOf(flower), Guid.NewGuid());
            var plan = HouseAssembly.For(id, pieces);
            Assert.Empty(AssemblyCheck.Problems(plan, pieces));
            Assert.Equal(plan.Stages.Select(stage => stage.Id), AssemblyCheck.InOrder(plan)!.Select(stage => stage.Id));
            Assert.Equal(plan.Stages.Select(stage => stage.Id), HouseAssembly.For(id, pieces).Stages.Select(stage => stage.Id));
            // The calyx closes it.
            Assert.All(plan.Stages.SkipLast(1), stage => Assert.NotEqual(StageKind.Calyx, stage.Kind));
        }
    }

    private static readonly PieceOfFlower Petals = new(Guid.NewGuid(), TestPlans.Petal, 5);
    private static readonly PieceOfFlower Centre = new(Guid.NewGuid(), new Piece("Centre", "round", 12, 12, 12, true, PartOf.Flower, 1, 0), 5);

    private static AssemblyStage Stage(Guid? onto, params StagePart[] parts) => new(Guid.NewGuid(), StageKind.Own, "Mine", parts, onto, Joining.Glued, Dryness.Firm, false, DryingPose.Standing);

    private static List<string> Problems(params AssemblyStage[] stages) =>
        [.. AssemblyCheck.Problems(new AssemblyPlan(stages, Dusting.AsPlanned), [Petals, Centre]).Select(problem => $"{problem.Path} {problem.Code} {problem.Limit}")];

    [Fact]
    public void What_cannot_be_put_together_is_told_at_its_place()
    {
        var centre = Stage(null, new StagePart(Centre.PieceId, 1));
        var petals = Stage(centre.Id, new StagePart(Petals.PieceId, 5));
        Assert.Empty(Problems(petals, centre));
        Assert.Equal(["stages[1].parts[0].perFlower MoreThanMade 5"], Problems(centre, petals with { Parts = [new(Petals.PieceId, 6)] }));
        Assert.Equal(["stages[2].parts[0].perFlower MoreThanMade 5"], Problems(centre, petals, Stage(petals.Id, new StagePart(Petals.PieceId, 1))));
        Assert.Equal(["stages PieceInNoStage 2"], Problems(centre, petals with { Parts = [new(Petals.PieceId, 3)] }));
        Assert.Equal(["stages PieceInNoStage 5"], Problems(centre));
        Assert.Equal(["stages CircleOfStages "], Problems(centre with { Onto = petals.Id }, petals));
        Assert.Equal(["stages[1].onto UnknownStage "], Problems(centre, petals with { Onto = Guid.NewGuid() }));
        Assert.Equal(["stages[1].onto NotJoined "], Problems(centre, petals with { Onto = null }));
        Assert.Equal(["stages[0].parts[0].pieceId UnknownPiece "], Problems(Stage(null, new StagePart(Guid.NewGuid(), 1)), centre with { Onto = null }).Take(1));
        Assert.Equal(["stages[0].name NameTooLong 120", "stages[0].parts StageIsEmpty "], Problems(centre with { Parts = [], Name = new string('a', 121) }, petals).Order());
    }

    /// <summary>Against a walk along what each stage goes onto.</summary>
    [Fact]
    public void A_circle_is_found_and_nothing_else_is_called_one() => Gen.Int[-1, 5].Array[1, 6].Holds(onto =>
    {
        Guid[] ids = [.. onto.Select(_ => Guid.NewGuid())];
        var plan = new AssemblyPlan([.. onto.Select((at, i) => Stage(at < 0 || at >= ids.Length ? null : ids[at]) with { Id = ids[i] })], Dusting.AsPlanned);
        bool Ends(int from)
        {
            for (var (at, steps) = (from, 0); at >= 0 && at < ids.Length; at = onto[at])
            {
                if (steps++ > ids.Length)
                    return false;
            }

            return true;
        }

        Assert.Equal(Enumerable.Range(0, ids.Length).All(Ends), AssemblyCheck.InOrder(plan) is not null);
    });
}
