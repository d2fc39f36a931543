using System.Text.Json;
using YoungTinge.Checks;

namespace YoungTinge.Core.Tests.Optics;

/// <summary>The optics against figures computed by an independent implementation in another language.</summary>
public class ReferenceVectorTests
{
    private static readonly JsonElement File = TestData.Json("reference-vectors.json");
    private static readonly VectorCheck Check = new(File, TestData.Cabinet);

    public static TheoryData<string> Cases() => new(File.GetProperty("cases").EnumerateArray().Select(c => c.Text("id")));

    [Theory]
    [MemberData(nameof(Cases))]
    public void Agrees(string id)
    {
        var result = Check.Check(File.GetProperty("cases").EnumerateArray().First(c => c.Text("id") == id));
        Assert.NotEmpty(result.Deviations);
        Assert.All(result.Deviations, deviation => Assert.False(deviation.Fails, $"{deviation.Quantity} is off by {deviation.Error}, allowed {deviation.Tolerance}."));
    }

    [Fact]
    public void The_check_itself_notices_an_error()
    {
        var wrong = File.GetRawText().Replace("\"share\": 0.78", "\"share\": 0.781").Replace("\"share\":0.78", "\"share\":0.781");
        Assert.Contains(new VectorCheck(JsonDocument.Parse(wrong).RootElement, TestData.Cabinet).Run(), result => !result.Passes && result.Operation == "develop");
    }
}
