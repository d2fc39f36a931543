using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Coats.Model;

/// <param name="DryHours">To leave it before it is touched.</param>
public sealed record StickPollen(string Key, Guid CoatId, string AdhesiveId, string CrumbId, double Grams, Place Place, int Pieces, double DryHours) : RunStep(Key, [])
{
    public override IReadOnlyList<MaterialTake> Takes() => [new(CrumbId, Grams)];
}
