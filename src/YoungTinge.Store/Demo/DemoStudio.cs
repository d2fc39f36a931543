using System.Text.Json;
using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Work;
using YoungTinge.Store.People;

namespace YoungTinge.Store.Demo;

/// <summary>The made-up studio that the demo, the screenshots and the browser tests use.</summary>
public static class DemoStudio
{
    /// <summary>Its owner signs in with it.</summary>
    public const string SignInName = "demo";

    /// <summary>What it is called and how it measures when it is new.</summary>
    internal static Studio Of(Guid id) =>
        new(id, "Saltmarsh Lane Sugar Room", "Odile Farrant", "UTC", "EUR", new Measuring(Measures.Metric, BenchScale.UsualG, Measuring.UsualDeltaE), 1) { IsDemo = true };

    /// <summary>Makes the demo with its owner.</summary>
    /// <param name="dataSource">Of the studio that it is to be, or of the tables' owner.</param>
    /// <param name="passwordHash">Of its owner; null for one who has chosen none yet.</param>
    public static async Task SeedAsync(NpgsqlDataSource dataSource, Guid studioId, string? passwordHash, DateTimeOffset now, CancellationToken cancel)
    {
        var studio = Of(studioId);
        await using var connection = await dataSource.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await StudioStore.AddAsync(connection, studio, cancel);
        await PersonStore.AddAsync(connection, studioId, new Person(Guid.CreateVersion7(now), studio.Maker, SignInName, Role.Owner, 1), passwordHash, cancel);
        await FillAsync(connection, studioId, now, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Fills a studio that has nothing in it with what the demo has when it is new.</summary>
    internal static async Task FillAsync(NpgsqlConnection connection, Guid studioId, DateTimeOffset now, CancellationToken cancel)
    {
        var materials = DemoSupplies.Stock(StarterCabinet.Load());
        await CabinetStore.InsertAllAsync(connection, studioId, materials.All, cancel);
        var today = DateOnly.FromDateTime(now.UtcDateTime);
        foreach (var commission in DemoCommissions.All)
            await AddCommissionAsync(connection, studioId, commission, today, materials, now, cancel);
        foreach (var reading in DemoReadings.Of(materials, now))
            await LogbookStore.AddAsync(connection, studioId, reading, cancel);
    }

    private static async Task AddCommissionAsync(
        NpgsqlConnection connection, Guid studioId, DemoCommission commission, DateOnly today, Materials materials, DateTimeOffset now, CancellationToken cancel)
    {
        var commissionId = Guid.CreateVersion7(now);
        await CommissionStore.AddAsync(connection, studioId, commissionId, commission.DetailsFrom(today), cancel);
        foreach (var batch in commission.Batches)
            await AddBatchAsync(connection, studioId, commissionId, batch, materials, now, cancel);
        foreach (var (position, flower) in commission.Flowers.Index())
        {
            var flowerId = Guid.CreateVersion7(now);
            await RunAsync(
                connection,
                "insert into flower (id, studio_id, commission_id, position, name, flowers, buds) values ($1, $2, $3, $4, $5, $6, $7)",
                cancel,
                flowerId, studioId, commissionId, position, flower.Name, flower.Flowers, flower.Buds);
            var works = new List<PlannedWork>();
            foreach (var piece in flower.Pieces)
            {
                var pieceId = Guid.CreateVersion7(now);
                await PieceStore.InsertAsync(connection, studioId, flowerId, pieceId, piece.Piece, piece.Plan, cancel);
                works.Add(new PlannedWork(pieceId, piece.Piece, piece.Piece.PartOf == PartOf.Bud ? flower.Buds : flower.Flowers, piece.Plan));
            }

            var pastes = new FlowerPaste(
                flowerId, commissionId, works, flower.IsOmbre ? OmbrePlan.Suggest(works, materials) : null,
                flower.Marbled.Count > 0 ? MarblePlan.Suggest(works) with { Stripes = flower.Marbled } : null);
            if (pastes.Ombre is { } ombre)
                await AddPastePlanAsync(connection, studioId, flowerId, "ombre", ombre, cancel);
            if (pastes.Marble is { } marble)
                await AddPastePlanAsync(connection, studioId, flowerId, "marble", marble, cancel);
            var sources = PasteSources.Of([pastes], materials);
            foreach (var (work, piece) in works.Zip(flower.Pieces))
                await AddReadingsAsync(connection, studioId, work.PieceId, piece, new ResolvedPlan(work.Plan, materials, sources[work.PieceId]), now, cancel);
        }
    }

    private static Task AddPastePlanAsync<T>(NpgsqlConnection connection, Guid studioId, Guid flowerId, string kind, T plan, CancellationToken cancel) => RunAsync(
        connection, "insert into paste_plan (studio_id, flower_id, kind, plan) values ($1, $2, $3, $4)", cancel,
        studioId, flowerId, kind, new Json(JsonSerializer.Serialize(plan, PlanJson.Options)));

    private static async Task AddReadingsAsync(
        NpgsqlConnection connection, Guid studioId, Guid pieceId, DemoPiece demo, ResolvedPlan plan, DateTimeOffset now, CancellationToken cancel)
    {
        var eye = new ZoneColourEvaluator(plan, demo.Piece.Shape());
        foreach (var reading in demo.Readings)
        {
            var zone = reading.Subject.Zone();
            var predicted = zone is { } seen ? eye.See(seen) : eye.Paste;
            var off = reading.Off;
            await LogbookStore.AddAsync(connection, studioId, new LogEntry(
                Guid.CreateVersion7(now), pieceId, reading.Subject, predicted, new Lab(predicted.L + off.L, predicted.A + off.A, predicted.B + off.B), reading.Note,
                now.AddDays(-reading.DaysAgo))
            {
                Mix = zone is null ? null : LoggedMix.Of(plan.Source.Recipe, plan.Cabinet),
                Plan = plan.Plan,
                Piece = demo.Piece,
                Laid = zone is { } laid ? LoggedZone.Of(eye, laid) : null,
            }, cancel);
        }
    }

    private static async Task AddBatchAsync(
        NpgsqlConnection connection, Guid studioId, Guid commissionId, DemoBatch batch, Materials materials, DateTimeOffset now, CancellationToken cancel)
    {
        var predicted = PasteOptics.ColourOf(batch.Recipe, materials);
        var mixedAt = now.AddDays(-(batch.Left?.DaysAgo ?? 1));
        var kept = new Batch(
            Guid.CreateVersion7(mixedAt), commissionId, batch.Name, batch.Recipe, batch.PasteG, DemoPlan.Colour(batch.Target),
            batch.Off is { } off ? new Lab(predicted.L + off.L, predicted.A + off.A, predicted.B + off.B) : null, batch.Note, 0)
        {
            Made = batch.Left is { } left ? new Making(mixedAt, batch.Recipe, batch.PasteG, left.LeftG, left.KeptIn) : null,
        };
        await BatchStore.WriteAsync(connection, studioId, kept, cancel);
        await RunAsync(connection, "update batch set kept_at = $2 where id = $1", cancel, kept.Id, mixedAt.UtcDateTime);
    }

    private sealed record Json(string Text);

    private static async Task RunAsync(NpgsqlConnection connection, string sql, CancellationToken cancel, params object?[] values)
    {
        await using var command = new NpgsqlCommand(sql, connection);
        foreach (var value in values)
        {
            command.Parameters.Add(value is Json json
                ? new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Jsonb, Value = json.Text }
                : new NpgsqlParameter { Value = value ?? DBNull.Value });
        }

        await command.ExecuteNonQueryAsync(cancel);
    }
}
