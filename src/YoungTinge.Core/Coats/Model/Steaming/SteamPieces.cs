namespace YoungTinge.Core.Coats.Model.Steaming;

public sealed record SteamPieces(string Key, Guid CoatId, int Seconds, int Pieces) : RunStep(Key, [Caution.Steam]);
