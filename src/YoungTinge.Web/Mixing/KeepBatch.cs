using FluentValidation;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Colour;
using YoungTinge.Store;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Mixing;

/// <summary>
/// Keeps a batch for a commission, or writes over the version it was made from. The client makes the id, so that sending a new
/// batch again after a lost answer does not keep it twice.
/// </summary>
public static class KeepBatch
{
    /// <param name="Version">That the change was made from; 0 for a new batch.</param>
    public sealed record Request(
        Guid CommissionId, string Name, PasteRecipe Recipe, double PasteG, Lab Target, Lab? Measured, string Note, int Version);

    public sealed record Answer(int Version);

    public sealed class Rules : AbstractValidator<Request>
    {
        public const int LongestName = 120;
        public const int LongestNote = 2000;

        public Rules()
        {
            RuleFor(r => r.Name).Must(name => !string.IsNullOrWhiteSpace(name)).WithErrorCode("nameMissing").MaximumLength(LongestName).WithErrorCode("tooLong");
            RuleFor(r => r.Target).Must(PlanCheck.IsColour).WithErrorCode("notAColour");
            RuleFor(r => r.Measured).Must(lab => lab is not { } measured || PlanCheck.IsColour(measured)).WithErrorCode("notAColour");
            RuleFor(r => r.Note).MaximumLength(LongestNote).WithErrorCode("tooLong");
        }
    }

    public static void Map(RouteGroupBuilder api) => api.MapPut("/batches/{id:guid}", Handle)
        .WithName("keepBatch").Produces<Answer>().Fails(404, 412, 422, 503);

    private static async Task<IResult> Handle(
        Guid id, Request request, IValidator<Request> rules, CurrentStudio studio, BatchStore batches, CabinetStore cabinet, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        FieldProblem[] problems =
        [
            .. rules.Problems(request), .. SearchProblems.OfMass(request.PasteG, "pasteG"),
            .. SearchProblems.OfRecipe(request.Recipe, "recipe", await cabinet.LoadAsync(studioId, cancel)),
        ];
        if (problems.Length > 0)
            return Trouble.NotPossible(problems);
        var batch = new Batch(
            id, request.CommissionId, request.Name.Trim(), request.Recipe, request.PasteG, request.Target, request.Measured, request.Note.Trim(), request.Version);
        return await batches.SaveAsync(studioId, batch, cancel) switch
        {
            SaveBatchResult.Saved saved => TypedResults.Ok(new Answer(saved.Version)),
            SaveBatchResult.Changed => Trouble.Result(StatusCodes.Status412PreconditionFailed, TroubleCode.ChangedElsewhere),
            _ => Trouble.NotFound(),
        };
    }
}
