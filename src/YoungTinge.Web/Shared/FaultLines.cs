using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>What the rules of the job say of a request, as the API tells it.</summary>
internal static class FaultLines
{
    /// <summary>As lines for the fields of a request.</summary>
    public static IReadOnlyList<FieldProblem> Lines(this IEnumerable<Fault> faults) =>
        [.. faults.Select(fault => new FieldProblem(fault.Path, fault.Code, fault.Limit, fault.Material))];
}
