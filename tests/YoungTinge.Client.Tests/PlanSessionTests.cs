using System.Text.Json;
using CsCheck;

namespace YoungTinge.Client.Tests;

/// <summary>An open plan: what is edited reaches the server, whatever happens meanwhile.</summary>
public class PlanSessionTests
{
    private const string Open = """
        const shelf = new Shelf(), tabShelf = new Shelf(), timers = new Timers(), server = new Server(plan())
        const openTabs = new Set()
        const open = async (tab = 'one') => {
          const tabs = { own: tab, open: async () => openTabs }
          const around = { server, timers, drafts: new Drafts(keptOn(shelf), tabs), history: new PlanHistory(keptOn(tabShelf), 'undo/piece') }
          return PlanSession.open('piece', around)
        }
        const coat = (id, seconds) => ({ kind: 'steam', id, seconds })

        """;

    [Fact]
    public void An_edit_is_previewed_at_once_and_saved_after_a_quiet() => Assert.Equal("""[0,true,1,"saved",9]""", ClientCore.Run(Open + """
        const session = await open()
        session.edit((was) => ({ ...was, coats: [coat('a', 9)] }))
        await settle()
        const [savesBefore, isPreviewed] = [server.saves, session.current.previewOf === session.current.plan]
        await timers.wind(400)
        return [savesBefore, isPreviewed, server.saves, session.current.save.kind, server.plan.coats[0].seconds]
        """));

    [Fact]
    public void What_the_server_refuses_is_said_and_kept() => Assert.Equal("""["refused","coats[0]",true,"saved"]""", ClientCore.Run(Open + """
        const session = await open()
        session.edit((was) => ({ ...was, coats: [{ kind: 'impossible', id: 'a' }] }))
        await timers.wind(400)
        const { save, problems } = session.current
        const again = await open()
        const isKept = again.current.plan.coats[0].kind === 'impossible'
        session.edit((was) => ({ ...was, coats: [] }))
        await timers.wind(400)
        return [save.kind, problems[0].path, isKept, session.current.save.kind]
        """));

    [Fact]
    public void Two_that_change_the_same_part_are_asked() => Assert.Equal("""["clash",["coats"],"mine","theirs"]""", ClientCore.Run(Open + """
        const answers = []
        for (const choose of ['keepMine', 'takeTheirs']) {
          const session = await open()
          session.edit((was) => ({ ...was, coats: [coat('mine', answers.length)] }))
          server.change({ coats: [coat('theirs', 2)] })
          await timers.wind(400)
          if (answers.length === 0) answers.push(session.current.save.kind, session.current.save.parts)
          session[choose]()
          await timers.wind(20_000)
          answers.push(session.current.plan.coats[0].id)
          if (session.current.save.kind !== 'saved' || !same(server.plan, session.current.plan)) answers.push('not saved')
          session.close()
        }
        return answers
        """));

    [Fact]
    public void A_closed_tabs_draft_is_taken_up_and_an_open_tabs_is_left() => Assert.Equal("""[[],["a"],1]""", ClientCore.Run(Open + """
        openTabs.add('one')
        server.isAway = false
        const first = await open('one')
        server.isAway = true
        first.edit((was) => ({ ...was, coats: [coat('a', 1)] }))
        first.close()
        await settle()
        server.isAway = false
        const beside = await open('two')
        const seenBeside = beside.current.plan.coats.map((one) => one.id)
        openTabs.delete('one')
        const after = await open('three')
        return [seenBeside, after.current.plan.coats.map((one) => one.id), shelf.items.size]
        """));

    private enum Event { Edit, Undo, Redo, ElsewhereSame, ElsewhereOther, Away, Back, LoseAnswers, KeepAnswers, Wind, Reload, FillShelf, ShutShelf, OpenShelf, KeepMine }

    /// <summary>Whatever happens in whatever order: once the server answers and clashes are decided, it has what is on the page.</summary>
    [Fact]
    public void Every_edit_reaches_the_server_in_the_end() =>
        Gen.Select(Gen.Enum<Event>(), Gen.Int[1, 2_000]).Array[1, 25].Holds(events =>
        {
            var told = JsonSerializer.Serialize(events.Select(one => new { what = one.Item1.ToString(), n = one.Item2 }));
            Assert.Equal("""["saved",true]""", ClientCore.Run(Open + """
                let session = await open()
                let count = 0
                for (const { what, n } of given) {
                  const next = coat(`c${n % 3}`, ++count)
                  if (what === 'Edit') session.edit((was) => ({ ...was, coats: [...was.coats.filter((one) => one.id !== next.id), next] }))
                  if (what === 'Undo') session.undo()
                  if (what === 'Redo') session.redo()
                  if (what === 'ElsewhereSame') server.change({ coats: [coat('theirs', count)] })
                  if (what === 'ElsewhereOther') server.change({ ground: { l: n / 20, a: 0, b: 0 } })
                  if (what === 'Away' || what === 'Back') server.isAway = what === 'Away'
                  if (what === 'LoseAnswers' || what === 'KeepAnswers') server.losesAnswers = what === 'LoseAnswers'
                  if (what === 'Wind') await timers.wind(n)
                  if (what === 'FillShelf') shelf.isFull = tabShelf.isFull = true
                  if (what === 'ShutShelf') shelf.isShut = tabShelf.isShut = true
                  if (what === 'OpenShelf') shelf.isFull = tabShelf.isFull = shelf.isShut = tabShelf.isShut = false
                  if (what === 'KeepMine') session.keepMine()
                  if (what === 'Reload' && !server.isAway) {
                    session.close()
                    session = await open()
                  }
                  await settle()
                }
                server.isAway = server.losesAnswers = false
                // What others have changed is seen with the next edit.
                session.edit((was) => ({ ...was, paste: { baseId: 'last', doses: [] } }))
                await timers.wind(60_000)
                for (let i = 0; session.current.save.kind === 'clash' && i < 3; i++) {
                  session.keepMine()
                  await timers.wind(60_000)
                }
                return [session.current.save.kind, same(server.plan, session.current.plan)]
                """, told));
        }, turns: 60);

    /// <summary>An edit is never taken back by a preview, a save or a merge: only undo and somebody else's decision do that.</summary>
    [Fact]
    public void A_merge_has_what_each_has_changed() =>
        Gen.Select(Gen.Int[0, 31], Gen.Int[0, 31]).Holds((mine, theirs) => Assert.Equal("true", ClientCore.Run("""
            const base = plan()
            const changed = (bits, by) => Object.fromEntries(partsOfPlan.filter((_, i) => bits & (1 << i)).map((part) => [part, { by }]))
            const [mine, theirs] = [changed(given[0], 'me'), changed(given[1], 'them')]
            const parts = clashes(base, { ...base, ...mine }, { ...base, ...theirs })
            const both = partsOfPlan.filter((part) => part in mine && part in theirs)
            if (!same(parts, both)) return [parts, both]
            if (parts.length > 0) return true
            const merged = merge(base, { ...base, ...mine }, { ...base, ...theirs })
            return same(merged, { ...base, ...mine, ...theirs }) && same(merged, merge(base, { ...base, ...theirs }, { ...base, ...mine }))
            """, $"[{mine},{theirs}]")), turns: 60);
}
