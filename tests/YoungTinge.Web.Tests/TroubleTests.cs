using Microsoft.AspNetCore.Http;
using Npgsql;
using YoungTinge.Web.Computing;
using YoungTinge.Web.Hosting;

namespace YoungTinge.Web.Tests;

/// <summary>What is said of failures that cannot be brought about at will.</summary>
public class TroubleTests
{
    private static PostgresException Sql(string state) => new("Told by the database.", "ERROR", "ERROR", state);

    public static TheoryData<Exception, int, TroubleCode> Failures => new()
    {
        { Sql(PostgresErrorCodes.DiskFull), 507, TroubleCode.DiskFull },
        { new IOException("No space left on device", 28), 507, TroubleCode.DiskFull },
        { Sql(PostgresErrorCodes.DeadlockDetected), 412, TroubleCode.ChangedElsewhere },
        { Sql(PostgresErrorCodes.SerializationFailure), 412, TroubleCode.ChangedElsewhere },
        { Sql(PostgresErrorCodes.ForeignKeyViolation), 412, TroubleCode.ChangedElsewhere },
        { Sql(PostgresErrorCodes.UntranslatableCharacter), 400, TroubleCode.Unreadable },
        { Sql(PostgresErrorCodes.AdminShutdown), 503, TroubleCode.DatabaseAway },
        { Sql(PostgresErrorCodes.UndefinedTable), 500, TroubleCode.Unexpected },
        { new NpgsqlException("Nobody answers."), 503, TroubleCode.DatabaseAway },
        { new BusyException(), 503, TroubleCode.Busy },
        { new BadHttpRequestException("Too much.", 413), 413, TroubleCode.TooLarge },
        { new InvalidOperationException("A mistake of ours."), 500, TroubleCode.Unexpected },
    };

    [Theory]
    [MemberData(nameof(Failures))]
    public void Each_failure_is_told_as_what_it_is(Exception failure, int status, TroubleCode code)
    {
        var told = TroubleHandler.Of(failure);
        Assert.Equal((status, code), (told.StatusCode, told.Value!.Code));
    }
}
