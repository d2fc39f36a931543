using System.Text.Json;
using FluentValidation;

namespace YoungTinge.Web.Hosting;

internal static class Validation
{
    /// <summary>What is wrong with a request, one line a field; empty if nothing is. Error codes are those of the rules.</summary>
    public static IReadOnlyList<FieldProblem> Problems<T>(this IValidator<T> rules, T request) =>
        [.. rules.Validate(request).Errors.Select(error => new FieldProblem(JsonNamingPolicy.CamelCase.ConvertName(error.PropertyName), error.ErrorCode, null, null))];
}
