namespace YoungTinge.Core.Coats.Model;

public sealed record SteamPieces(string Key, Guid CoatId, int Seconds, int Pieces) : RunStep(Key, [Caution.Steam])
{
    internal override RunStep OverFlowers(IReadOnlyList<RunStep> steps, int flowers) => this with { Pieces = flowers };
}
