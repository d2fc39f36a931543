using YoungTinge.Core.Cabinet;
using YoungTinge.Devices;
using YoungTinge.Files.Pictures;
using YoungTinge.Store;

namespace YoungTinge.Web.Tests;

public class ArchitectureTests
{
    [Fact]
    public void Dependencies_point_one_way()
    {
        Assert.Empty(OursIn(typeof(Materials)));
        Assert.Equal(["YoungTinge.Core"], OursIn(typeof(PieceStore)));
        Assert.Equal(["YoungTinge.Core"], OursIn(typeof(PictureFile)));
        Assert.Equal(["YoungTinge.Core", "YoungTinge.Files"], OursIn(typeof(LightBoxCamera)));
        Assert.Equal(["YoungTinge.Core", "YoungTinge.Devices", "YoungTinge.Files", "YoungTinge.Store"], OursIn(typeof(Program)));
    }

    private static IEnumerable<string> OursIn(Type type) => type.Assembly.GetReferencedAssemblies()
        .Select(reference => reference.Name!).Where(name => name.StartsWith("YoungTinge", StringComparison.Ordinal)).Order();
}
