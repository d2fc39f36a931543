using System.Text.Json;
using CsCheck;

namespace YoungTinge.Client.Tests;

/// <summary>Ticks that are sent in the background.</summary>
public class TickQueueTests
{
    private const string Open = """
        const shelf = new Shelf(), timers = new Timers()
        const server = { done: {}, requests: 0, isAway: false, gone: new Set() }
        const work = {
          send: async (key, wish) => {
            await null
            if (server.isAway) throw new RequestFailed('offline')
            server.requests++
            if (server.gone.has(key)) throw new RequestFailed('notFound')
            server.done[key] = wish.ticked
          },
          readAgain: async () => {},
        }
        const open = () => {
          const queue = new TickQueue('ticks/sheet', keptOn(shelf), timers)
          queue.sendBy(work)
          queue.open()
          return queue
        }
        const step = (key) => ({ key, fingerprint: 'f', tickedAt: null })

        """;

    [Fact]
    public void One_tick_is_one_request_and_shows_at_once() => Assert.Equal("[true,1,true,0]", ClientCore.Run(Open + """
        const queue = open()
        queue.setTicked(step('a'), true)
        const shows = queue.isTicked(step('a'))
        await settle()
        return [shows, server.requests, server.done.a, Object.keys(queue.waiting).length]
        """));

    [Fact]
    public void A_step_that_is_gone_is_let_go() => Assert.Equal("[0,true,0]", ClientCore.Run(Open + """
        const queue = open()
        server.gone.add('a')
        queue.setTicked(step('a'), true)
        queue.setTicked(step('b'), true)
        await settle()
        return [Object.keys(queue.waiting).length, server.done.b, shelf.items.size]
        """));

    private enum Event { Tick, Untick, Away, Back, Wind, Reload }

    [Fact]
    public void The_last_word_on_every_step_arrives_also_after_a_reload() =>
        Gen.Select(Gen.Enum<Event>(), Gen.Int[0, 4]).Array[1, 30].Holds(events =>
        {
            var told = JsonSerializer.Serialize(events.Select(one => new { what = one.Item1.ToString(), n = one.Item2 }));
            Assert.Equal("true", ClientCore.Run(Open + """
                let queue = open()
                const wanted = {}
                for (const { what, n } of given) {
                  if (what === 'Tick' || what === 'Untick') queue.setTicked(step(`s${n}`), (wanted[`s${n}`] = what === 'Tick'))
                  if (what === 'Away' || what === 'Back') server.isAway = what === 'Away'
                  if (what === 'Wind') await timers.wind(700 * n)
                  if (what === 'Reload') {
                    queue.close()
                    queue = open()
                  }
                }
                server.isAway = false
                await timers.wind(10_000)
                return same(server.done, wanted) && Object.keys(queue.waiting).length === 0
                """, told));
        }, turns: 60);
}
