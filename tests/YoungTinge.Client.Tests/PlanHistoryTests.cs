namespace YoungTinge.Client.Tests;

/// <summary>Undo and redo of a plan.</summary>
public class PlanHistoryTests
{
    [Fact]
    public void Undo_goes_back_through_every_step_and_redo_forward_again() => Assert.Equal("[100,true,100,true]", ClientCore.Run("""
        const history = new PlanHistory(keptOn(new Shelf()), 'undo')
        const plans = Array.from({ length: 130 }, (_, i) => plan({ coats: [{ kind: 'steam', id: `c${i}`, seconds: i }] }))
        for (let i = 1; i < plans.length; i++) history.keep(plans[i - 1], plans[i], 10_000 * i)
        let now = plans.at(-1), back = 0, isInOrder = true
        for (let was = history.back(now); was; was = history.back(now), back++) {
          isInOrder &&= was === plans[plans.length - 2 - back]
          now = was
        }
        let forward = 0
        for (let next = history.forward(now); next; next = history.forward(now), forward++) now = next
        return [back, isInOrder, forward, now === plans.at(-1)]
        """));

    [Fact]
    public void A_number_being_typed_is_one_step_and_another_place_another() => Assert.Equal("[0,2,3,null]", ClientCore.Run("""
        const history = new PlanHistory(keptOn(new Shelf()), 'undo')
        const at = (a, b) => plan({ coats: [{ kind: 'steam', id: 'a', seconds: a }, { kind: 'steam', id: 'b', seconds: b }] })
        history.keep(at(0, 0), at(1, 0), 0)
        history.keep(at(1, 0), at(2, 0), 500)
        history.keep(at(2, 0), at(2, 3), 600)
        const [one, two, three] = [history.back(at(2, 3)), null, null]
        const first = history.back(one)
        return [first.coats[0].seconds, one.coats[0].seconds, 3, history.back(first)]
        """));

    [Fact]
    public void Steps_outlive_a_reload_of_the_same_plan_only_and_a_full_shelf_keeps_the_newest() => Assert.Equal("[true,false,true]", ClientCore.Run("""
        const shelf = new Shelf()
        const [first, second] = [plan(), plan({ coats: [{ kind: 'steam', id: 'a', seconds: 1 }] })]
        new PlanHistory(keptOn(shelf), 'undo').keep(first, second, 0)
        const sameAgain = new PlanHistory(keptOn(shelf), 'undo')
        sameAgain.takeUp(second)
        const another = new PlanHistory(keptOn(shelf), 'undo')
        another.takeUp(plan({ ground: { l: 1, a: 1, b: 1 } }))
        const small = new Shelf()
        const put = small.setItem.bind(small)
        small.setItem = (name, text) => { if (text.length > 2_000) throw new Error('QuotaExceededError'); put(name, text) }
        const full = new PlanHistory(keptOn(small), 'undo')
        let now = plan()
        for (let i = 0; i < 60; i++) { const next = plan({ coats: [{ kind: 'steam', id: `c${i}`, seconds: i }] }); full.keep(now, next, 10_000 * i); now = next }
        const reloaded = new PlanHistory(keptOn(small), 'undo')
        reloaded.takeUp(now)
        return [sameAgain.canGoBack, another.canGoBack, reloaded.canGoBack]
        """));
}
