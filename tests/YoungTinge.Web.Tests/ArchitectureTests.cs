using YoungTinge.Core.Cabinet;
using YoungTinge.Store;

namespace YoungTinge.Web.Tests;

public class ArchitectureTests
{
    [Fact]
    public void Dependencies_point_one_way()
    {
        Assert.Empty(OursIn(typeof(Materials)));
        Assert.Equal(["YoungTinge.Core"], OursIn(typeof(PieceStore)));
        Assert.Equal(["YoungTinge.Core", "YoungTinge.Store"], OursIn(typeof(Program)));
    }

    private static IEnumerable<string> OursIn(Type type) => type.Assembly.GetReferencedAssemblies()
        .Select(reference => reference.Name!).Where(name => name.StartsWith("YoungTinge", StringComparison.Ordinal)).Order();
}
