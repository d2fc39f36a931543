using ArchUnitNET.Domain;
using ArchUnitNET.Domain.Extensions;
using ArchUnitNET.Loader;
using ArchUnitNET.xUnit;
using YoungTinge.Core.Cabinet;
using YoungTinge.Devices;
using YoungTinge.Files.Pictures;
using YoungTinge.Store;
using static ArchUnitNET.Fluent.ArchRuleDefinition;

namespace YoungTinge.Web.Tests;

/// <summary>
/// The house keeps its rooms: docs/decisions/0033 says what each is for. Rooms of the core have one order and places of the web share only
/// what is shared, so that neither can go in circles.
/// </summary>
public class ArchitectureTests
{
    private const string Core = "YoungTinge.Core";
    private const string Web = "YoungTinge.Web";

    /// <summary>Rooms of the core. Each may use those before it, none after it.</summary>
    private static readonly string[] Rooms =
    [
        "Numerics", "Colour", "Optics", "Cabinet", "Flowers", "Pictures", "Targets", "Mixing", "Learning", "Ombre", "Marble",
        "Coats.Model", "Coats.Learning", "Coats.Rendering", "Coats.Advice", "CoatPlanning", "Work", "Scheduling", "Practice",
    ];

    private static readonly Architecture House = new ArchLoader().LoadAssemblies(typeof(Materials).Assembly, typeof(Program).Assembly).Build();

    public static TheoryData<string> RoomNames => [.. Rooms];

    [Fact]
    public void Dependencies_point_one_way()
    {
        Assert.Empty(OursIn(typeof(Materials)));
        Assert.Equal(["YoungTinge.Core"], OursIn(typeof(PieceStore)));
        Assert.Equal(["YoungTinge.Core"], OursIn(typeof(PictureFile)));
        Assert.Equal(["YoungTinge.Core", "YoungTinge.Files"], OursIn(typeof(LightBoxCamera)));
        Assert.Equal(["YoungTinge.Core", "YoungTinge.Devices", "YoungTinge.Files", "YoungTinge.Store"], OursIn(typeof(Program)));
    }

    [Fact]
    public void Every_type_of_the_core_has_a_room()
    {
        var stray = House.Types.Where(type => type.Namespace.FullName.StartsWith(Core, StringComparison.Ordinal) && type.Namespace.FullName != Core)
            .Where(type => !Rooms.Any(room => Within(type.Namespace.FullName, room))).Select(type => type.FullName);
        Assert.Empty(stray);
    }

    [Theory]
    [MemberData(nameof(RoomNames))]
    public void A_room_of_the_core_uses_none_that_lies_below_it(string room)
    {
        var below = Rooms[(Array.IndexOf(Rooms, room) + 1)..];
        if (below.Length == 0)
            return;
        Types().That().ResideInNamespaceMatching(Inside(room)).Should()
            .NotDependOnAny(Types().That().ResideInNamespaceMatching($"^{Core}\\.({string.Join('|', below.Select(name => name.Replace(".", "\\.", StringComparison.Ordinal)))})(\\.|$)"))
            .Check(House);
    }

    [Fact]
    public void Places_of_the_web_share_only_what_is_shared()
    {
        foreach (var place in Places())
        {
            var others = string.Join('|', Places().Where(other => other != place));
            Types().That().ResideInNamespaceMatching($"^{Web}\\.{place}(\\.|$)").Should()
                .NotDependOnAny(Types().That().ResideInNamespaceMatching($"^{Web}\\.({others}|Hosting)(\\.|$)")).Check(House);
        }

        Types().That().ResideInNamespaceMatching($"^{Web}\\.Shared(\\.|$)").Should()
            .NotDependOnAny(Types().That().ResideInNamespaceMatching($"^{Web}\\.(?!Shared)")).Check(House);
    }

    /// <summary>The same input gives the same answer: clocks, ids and seeds are handed in.</summary>
    [Fact]
    public void The_core_reads_no_clock_and_throws_no_dice_and_touches_nothing_outside()
    {
        string[] impure =
        [
            "System.DateTime::get_Now", "System.DateTime::get_UtcNow", "System.DateTimeOffset::get_Now", "System.DateTimeOffset::get_UtcNow", "System.Guid::NewGuid",
            "System.Guid::CreateVersion7", "System.Random::.ctor()", "System.Random::get_Shared", "System.Environment::", "System.IO.File::", "System.IO.Directory::",
            "System.Diagnostics.Stopwatch::", "System.Net.", "System.Console::",
        ];
        var calls = from type in House.Types
                    where type.Namespace.FullName.StartsWith(Core, StringComparison.Ordinal)
                    from member in type.Members
                    from called in member.GetCalledMethods()
                    let name = $"{called.DeclaringType.FullName}::{called.Name}"
                    where impure.Any(one => name.StartsWith(one, StringComparison.Ordinal))
                    select $"{member.FullName} calls {name}";
        Assert.Empty(calls);
    }

    private static string Inside(string room) => $"^{Core}\\.{room.Replace(".", "\\.", StringComparison.Ordinal)}(\\.|$)";

    private static bool Within(string space, string room) => space == $"{Core}.{room}" || space.StartsWith($"{Core}.{room}.", StringComparison.Ordinal);

    /// <summary>Folders of the server, but for what carries them all and what they share.</summary>
    private static string[] Places() =>
    [
        .. Directory.GetDirectories(Path.Combine(Testing.Repository.Folder, "src", Web)).Select(folder => Path.GetFileName(folder)!)
            .Where(name => name is not ("bin" or "obj" or "wwwroot" or "Hosting" or "Shared" or "Properties")),
    ];

    private static IEnumerable<string> OursIn(System.Type type) => type.Assembly.GetReferencedAssemblies()
        .Select(reference => reference.Name!).Where(name => name.StartsWith("YoungTinge", StringComparison.Ordinal)).Order();
}
