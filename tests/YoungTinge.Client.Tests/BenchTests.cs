using System.Text.Json;
using CsCheck;

namespace YoungTinge.Client.Tests;

/// <summary>A day at the bench as a device works it out by itself, and what it tells the server of it.</summary>
public class BenchTests
{
    /// <summary>A petal: shaped at 8:00, leathery in 30 minutes, to be put on within 50, with a wash beside it that rests for 10.</summary>
    private const string Petal = """
        const at = (time) => `2026-12-01T${time}:00Z`, ms = (time) => Date.parse(at(time))
        const task = (id, waits, more = {}) => ({ operation: { id, waitMinutes: 0, minutes: 5, tickedAt: null }, makerId: null, waits, driesMinutes: 0, window: null, ...more })
        const facts = {
          tasks: [
            task('dry', [{ operationId: 'shape', minutes: 0 }], { driesMinutes: 30 }),
            task('dust', [{ operationId: 'wash', minutes: 10 }], { makerId: 'ann' }),
            task('attach', [{ operationId: 'dry', minutes: 0 }], { window: { operationId: 'shape', minutes: 50 } }),
          ],
          done: [{ operationId: 'shape', at: at('08:00') }], timers: [], readings: [], resting: [], recent: [{ id: 'shape' }, { id: 'cut' }],
        }
        const seen = (notes, time, maker = null) => {
          const day = benchDay(facts, notes, ms(time), maker)
          const clock = (time) => time === null ? null : new Date(time).toISOString().slice(11, 16)
          return {
            ready: day.ready.map((one) => one.operation.id).join(' '),
            drying: day.drying.map((one) => `${one.task.operation.id} ${clock(one.until)}`).join(' '),
            later: day.later.map((one) => `${one.task.operation.id} ${clock(one.from)}`).join(' '),
            closes: clock(day.closesAt.get('attach') ?? null),
          }
        }
        const touched = (time, isDry) => ({ kind: 'touched', at: at(time), by: '', operationId: 'dry', fingerprint: 'f', isDry, minutes: 1 })

        """;

    private static string Seen(string notes, string time, string maker = "null") => ClientCore.Run(Petal + $"return Object.values(seen([{notes}], '{time}', {maker})).join(' | ')").Trim('"');

    [Theory]
    [InlineData("", "08:10", "null", " | dry 08:30 | dust null attach null | 08:50")]
    [InlineData("", "08:30", "null", "dry |  | dust null attach null | 08:50")]
    // Not yet: looked at again after a quarter of the time.
    [InlineData("touched('08:31', false)", "08:32", "null", " | dry 08:38 | dust null attach null | 08:50")]
    [InlineData("touched('08:39', true)", "08:40", "null", "attach |  | dust null | 08:50")]
    [InlineData("touched('08:39', true), { kind: 'takeBack', at: at('08:40'), by: '', operationId: 'dry' }", "08:41", "null", "dry |  | dust null attach null | 08:50")]
    // A wash without a connection begins its wait by the clock of the device.
    [InlineData("{ kind: 'tick', at: at('08:05'), by: '', operationId: 'wash', fingerprint: 'f' }", "08:10", "null", " | dry 08:30 | dust 08:15 attach null | 08:50")]
    [InlineData("{ kind: 'tick', at: at('08:05'), by: '', operationId: 'wash', fingerprint: 'f' }", "08:20", "'bo'", " | dry 08:30 | attach null | 08:50")]
    public void What_is_to_do_follows_from_what_is_done_and_the_clock(string notes, string time, string maker, string seen) => Assert.Equal(seen, Seen(notes, time, maker));

    [Fact]
    public void What_closes_soon_comes_first_and_timers_end_by_their_start() => Assert.Equal("\"attach first | t1 08:06 t2 09:00\"", ClientCore.Run(Petal + """
        facts.tasks = [task('first', []), ...facts.tasks]
        facts.timers = [{ id: 't2', operationId: null, name: '', seconds: 3600, startedAt: at('08:00') }, { id: 't3', operationId: null, name: '', seconds: 60, startedAt: at('08:00') }]
        const day = benchDay(facts, [touched('08:30', true), { kind: 'startTimer', at: at('08:05'), by: '', timerId: 't1', operationId: null, name: '', seconds: 60 }, { kind: 'stopTimer', at: at('08:06'), by: '', timerId: 't3' }], ms('08:40'))
        return day.ready.map((one) => one.operation.id).join(' ') + ' | ' + day.timers.map((one) => `${one.timer.id} ${new Date(one.endsAt).toISOString().slice(11, 16)}`).join(' ')
        """));

    /// <summary>What is over stays among what ends, so that it rings; a wash that was taken back rests no more.</summary>
    [Fact]
    public void What_dries_and_rests_is_told_when_it_is_over() => Assert.Equal("\"dry 08:30, wash 08:15 | wash | dry 08:30 |  | dry 08:30\"", ClientCore.Run(Petal + """
        const wash = { id: 'wash', waitMinutes: 10, minutes: 5, tickedAt: null }
        facts.tasks.push(task('wash', [], { operation: wash }))
        const tick = { kind: 'tick', at: at('08:05'), by: '', operationId: 'wash', fingerprint: 'f' }, back = { kind: 'takeBack', at: at('08:06'), by: '', operationId: 'wash' }
        const day = (notes, time) => benchDay(facts, notes, ms(time))
        const ends = (one) => [...one.endings].sort().map(([id, { until }]) => `${id} ${new Date(until).toISOString().slice(11, 16)}`).join(', ')
        const rests = (one) => one.resting.map(({ operation }) => operation.id).join(' ')
        return [ends(day([tick], '08:10')), rests(day([tick], '08:10')), ends(day([tick, back], '08:10')), rests(day([tick], '08:20')), ends(day([], '09:00'))].join(' | ')
        """));

    /// <summary>Not yet is nothing that is done, and what nobody knows of takes nothing else back.</summary>
    [Theory]
    [InlineData("", "shape")]
    [InlineData("touched('08:31', false)", "shape")]
    [InlineData("touched('08:39', true)", "dry")]
    [InlineData("touched('08:39', true), { kind: 'takeBack', at: at('08:40'), by: '', operationId: 'dry' }", "shape")]
    [InlineData("{ kind: 'takeBack', at: at('08:40'), by: '', operationId: 'another' }", "shape")]
    // Told, and already known.
    [InlineData("{ kind: 'tick', at: at('08:00'), by: '', operationId: 'shape', fingerprint: 'f' }, { kind: 'takeBack', at: at('08:40'), by: '', operationId: 'shape' }", "cut")]
    public void What_was_done_last_can_be_taken_back(string notes, string last) => Assert.Equal($"\"{last}\"", ClientCore.Run(Petal + $"return benchDay(facts, [{notes}], ms('08:45')).lastDone"));

    private enum Event { Note, Away, Lost, Unread, Back, Wind, Reload, OtherWindow }

    [Fact]
    public void Notes_arrive_in_order_and_count_once_whatever_happens_on_the_way() =>
        Gen.Enum<Event>().Array[1, 40].Holds(events =>
        {
            var told = JsonSerializer.Serialize(events.Select(one => one.ToString()));
            Assert.Equal("true", ClientCore.Run("""
                const shelf = new Shelf(), timers = new Timers()
                const server = { taken: [], isAway: false, losesAnswer: false, isUnread: false }
                const post = {
                  send: async ({ id, note }) => {
                    await null
                    if (server.isAway) throw new RequestFailed('offline')
                    if (!server.taken.some((one) => one.id === id)) server.taken.push({ id, note })
                    if (server.losesAnswer) throw new RequestFailed('offline')
                  },
                  arrived: async () => { if (server.isUnread) throw new RequestFailed('offline') },
                  refused: () => {},
                }
                const open = () => {
                  const box = new Outbox('bench/notes', keptOn(shelf), timers)
                  box.sendBy(post)
                  box.open()
                  return box
                }
                let box = open()
                const others = []
                let count = 0
                for (const event of given) {
                  if (event === 'Note') { count++; box.add({ id: `n${count}`, note: count }) }
                  if (event === 'Away') server.isAway = true
                  if (event === 'Lost') server.losesAnswer = true
                  if (event === 'Unread') server.isUnread = true
                  if (event === 'Back') server.isAway = server.losesAnswer = server.isUnread = false
                  if (event === 'Wind') await timers.wind(3000)
                  if (event === 'Reload') { box.close(); box = open() }
                  if (event === 'OtherWindow') others.push(open())
                }
                server.isAway = server.losesAnswer = server.isUnread = false
                await timers.wind(10000)
                await settle()
                return box.waiting.length === 0 && shelf.items.size === 0 && JSON.stringify(server.taken.map((one) => one.note)) === JSON.stringify(Array.from({ length: count }, (_, i) => i + 1))
                """, told));
        }, 60);

    [Fact]
    public void What_arrived_is_kept_until_it_is_seen_there() => Assert.Equal("[1,2,0,\"a a b\"]", ClientCore.Run("""
        const timers = new Timers(), told = []
        let isUnread = true
        const box = new Outbox('bench/notes', keptOn(new Shelf()), timers)
        box.sendBy({
          send: async ({ id }) => told.push(id),
          arrived: async () => { if (isUnread) throw new RequestFailed('notFound') },
          refused: () => {},
        })
        box.open()
        box.add({ id: 'a', note: 1 })
        await settle()
        const waiting = [box.waiting.length]
        box.add({ id: 'b', note: 2 })
        waiting.push(box.waiting.length)
        isUnread = false
        await timers.wind(3000)
        await settle()
        return [...waiting, box.waiting.length, told.join(' ')]
        """));

    [Fact]
    public void What_is_refused_for_good_is_told_and_does_not_hold_up_the_rest() => Assert.Equal("[\"a\",\"b\",0]", ClientCore.Run("""
        const told = []
        const box = new Outbox('bench/notes', keptOn(new Shelf()), new Timers())
        box.sendBy({
          send: async ({ id }) => { if (id === 'a') throw new RequestFailed('notPossible'); told.push(id) },
          arrived: async () => {},
          refused: ({ id }) => told.push(id),
        })
        box.add({ id: 'a', note: 1 })
        box.add({ id: 'b', note: 2 })
        await settle()
        return [...told, box.waiting.length]
        """));
}
