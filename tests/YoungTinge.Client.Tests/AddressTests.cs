using System.Text.Json;
using CsCheck;

namespace YoungTinge.Client.Tests;

/// <summary>Where the window is, and a form that holds it.</summary>
public class AddressTests
{
    private const string Open = """
        const window = new Window()
        const address = new Address(window)

        """;

    [Theory]
    [InlineData("address.go('/cabinet')")]
    [InlineData("window.history.go(-1); window.move()")]
    [InlineData("window.history.go(1); window.move()")]
    public void A_way_out_is_held_until_it_is_answered(string wayOut) => Assert.Equal("""["/mixing",1,"/mixing",true]""", ClientCore.Run(Open + $$"""
        address.go('/mixing')
        address.go('/logbook')
        window.history.go(-1)
        window.move()
        const asked = []
        const letGo = address.hold((leave) => asked.push(leave))
        {{wayOut}}
        const [held, times, shown] = [address.path, asked.length, window.location.pathname]
        letGo()
        asked[0]()
        window.move()
        return [held, times, shown, address.path !== '/mixing' && address.path === window.location.pathname]
        """));

    [Fact]
    public void Another_search_on_the_same_page_needs_no_asking() => Assert.Equal("""["?zone=rim",0]""", ClientCore.Run(Open + """
        const asked = []
        address.hold((leave) => asked.push(leave))
        address.go('/commissions?zone=rim')
        return [address.search, asked.length]
        """));

    [Fact]
    public void The_same_address_again_is_no_new_entry() => Assert.Equal("[2,2]", ClientCore.Run(Open + """
        address.go('/mixing?light=warm')
        const before = window.length
        address.go('/mixing?light=warm')
        return [before, window.length]
        """));

    private enum Event { Go, Replace, Back, Forward, Hold, LetGo, Leave, Stay }

    /// <summary>The page and the address bar never part, and what is held never leaves unasked.</summary>
    [Fact]
    public void The_page_is_always_that_of_the_address() =>
        Gen.Select(Gen.Enum<Event>(), Gen.Int[0, 3]).Array[1, 40].Holds(events =>
        {
            var told = JsonSerializer.Serialize(events.Select(one => new { what = one.Item1.ToString(), n = one.Item2 }));
            Assert.Equal("true", ClientCore.Run(Open + """
                let letGo = null, wayOut = null
                for (const { what, n } of given) {
                  const before = address.path
                  const isHeld = letGo !== null
                  if (what === 'Go') address.go(`/p${n}`)
                  if (what === 'Replace') address.go(`/p${n}`, { replace: true })
                  if (what === 'Back') window.history.go(-1)
                  if (what === 'Forward') window.history.go(1)
                  if (what === 'Hold') letGo ??= address.hold((leave) => (wayOut = leave))
                  if (what === 'LetGo') { letGo?.(); letGo = wayOut = null }
                  if (what === 'Leave' && wayOut) { letGo(); letGo = null; wayOut(); wayOut = null }
                  if (what === 'Stay') wayOut = null
                  window.move()
                  if (address.path !== window.location.pathname) return ['apart', what, address.path, window.location.pathname]
                  if (isHeld && letGo && address.path !== before) return ['left', what]
                }
                return true
                """, told));
        }, turns: 60);
}
