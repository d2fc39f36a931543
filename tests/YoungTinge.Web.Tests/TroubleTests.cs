using Microsoft.AspNetCore.Http;
using Npgsql;
using YoungTinge.Web.Hosting;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Tests;

/// <summary>What is said of failures that cannot be brought about at will.</summary>
public class TroubleTests
{
    private static PostgresException Sql(string state) => new("Told by the database.", "ERROR", "ERROR", state);

    public static TheoryData<Exception, int, ApiProblemCode> Failures => new()
    {
        { Sql(PostgresErrorCodes.DiskFull), 507, ApiProblemCode.DiskFull },
        { new IOException("No space left on device", 28), 507, ApiProblemCode.DiskFull },
        { Sql(PostgresErrorCodes.DeadlockDetected), 412, ApiProblemCode.ChangedElsewhere },
        { Sql(PostgresErrorCodes.SerializationFailure), 412, ApiProblemCode.ChangedElsewhere },
        { Sql(PostgresErrorCodes.ForeignKeyViolation), 412, ApiProblemCode.ChangedElsewhere },
        { Sql(PostgresErrorCodes.UntranslatableCharacter), 400, ApiProblemCode.Unreadable },
        { Sql(PostgresErrorCodes.AdminShutdown), 503, ApiProblemCode.DatabaseAway },
        { Sql(PostgresErrorCodes.UndefinedTable), 500, ApiProblemCode.Unexpected },
        { new NpgsqlException("Nobody answers."), 503, ApiProblemCode.DatabaseAway },
        { new BusyException(), 503, ApiProblemCode.Busy },
        { new BadHttpRequestException("Too much.", 413), 413, ApiProblemCode.TooLarge },
        { new InvalidOperationException("A mistake of ours."), 500, ApiProblemCode.Unexpected },
    };

    [Theory]
    [MemberData(nameof(Failures))]
    public void Each_failure_is_told_as_what_it_is(Exception failure, int status, ApiProblemCode code)
    {
        var told = ApiProblemHandler.Of(failure);
        Assert.Equal((status, code), (told.StatusCode, told.Value!.Code));
    }
}
