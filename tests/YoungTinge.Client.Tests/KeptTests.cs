namespace YoungTinge.Client.Tests;

/// <summary>What the browser keeps for the maker.</summary>
public class KeptTests
{
    [Theory]
    [InlineData("isFull")]
    [InlineData("isShut")]
    public void A_full_or_shut_storage_loses_nothing_while_the_page_is_open(string how) => Assert.Equal("""[false,"new",["a"],null,true]""", ClientCore.Run($$"""
        const shelf = new Shelf()
        const kept = keptOn(shelf)
        const isText = (value) => typeof value === 'string'
        kept.write('a', 'old')
        shelf.{{how}} = true
        const isWritten = kept.write('a', 'new')
        const [read, names] = [kept.read('a', isText), kept.names('a')]
        kept.forget('a')
        const forgotten = kept.read('a', isText)
        shelf.{{how}} = false
        return [isWritten, read, names, {{(how == "isFull" ? "forgotten" : "null")}}, kept.write('a', 'again') && keptOn(shelf).read('a', isText) === 'again']
        """));

    /// <summary>Ticks that wait for a connection must not be sent by whoever signs in next at the same tablet.</summary>
    [Fact]
    public void What_one_left_waits_until_she_is_back_and_nobody_else_sees_it() => Assert.Equal("""[["bos"],"bos",[],"dark",["ada-s","twice"],"ada-s",["bench/notes","mixing"]]""", ClientCore.Run("""
        const shelf = new Shelf()
        const kept = keptOn(shelf)
        const isText = (value) => typeof value === 'string'
        const post = { send: async () => ({}), arrived: async () => {}, refused: () => {} }
        const waitingOf = () => new Outbox('bench/notes', kept, { after: () => () => {} }).waiting.map(({ id }) => id)
        kept.write('all/theme', 'dark')
        kept.write('mixing', 'bos')
        kept.write('bench/notes', [{ id: 'bos', note: {} }])
        belongTo('bo', kept)
        const first = [waitingOf(), kept.read('mixing', isText)]
        belongTo('ada', kept)
        const adas = [waitingOf(), kept.read('all/theme', isText)]
        kept.write('mixing', 'ada-s')
        belongTo('bo', kept)
        kept.write('bench/notes', [{ id: 'ada-s', note: {} }, { id: 'twice', note: {} }])
        belongTo('ada', kept)
        belongTo('ada', kept)
        const mixing = kept.read('mixing', isText)
        belongTo('bo', kept)
        return [...first, ...adas, waitingOf(), mixing, kept.names('').filter((name) => ['bench/notes', 'mixing'].includes(name)).sort()]
        """));

    [Fact]
    public void What_is_not_of_this_kind_is_not_taken() => Assert.Equal("[null,null,null]", ClientCore.Run("""
        const shelf = new Shelf()
        shelf.items.set('young-tinge/broken', '{')
        shelf.items.set('young-tinge/other', '{"a":1}')
        const hasB = (value) => hasFields(value, 'b')
        return ['broken', 'other', 'none'].map((name) => keptOn(shelf).read(name, hasB))
        """));

    [Fact]
    public void A_word_of_an_older_build_is_still_read() => Assert.Equal("\"dark\"", ClientCore.Run("""
        const shelf = new Shelf()
        shelf.items.set('young-tinge/theme', 'dark')
        return keptOn(shelf).read('theme', (value) => value === 'dark')
        """));

    [Fact]
    public void A_draft_of_an_older_build_is_lifted_and_a_damaged_one_is_not_taken() => Assert.Equal("""["matt","dust",null]""", ClientCore.Run("""
        const shelf = new Shelf()
        const tabs = { own: 'one', open: async () => new Set() }
        const old = plan({ targets: { rim: { l: 1, a: 2, b: 3 } }, coats: [{ kind: 'dust', id: 'a', mix: [{ dustId: 'dust', parts: 1 }] }] })
        shelf.items.set('young-tinge/draft/piece/gone', JSON.stringify({ base: { plan: old, version: 1 }, plan: old }))
        shelf.items.set('young-tinge/draft/other/gone', JSON.stringify({ base: { plan: old, version: 1 }, plan: { ...old, coats: [null] } }))
        const drafts = new Drafts(keptOn(shelf), tabs)
        const found = await drafts.find('piece')
        return [found.plan.targets.rim.finish, found.plan.coats[0].mix[0].materialId, await drafts.find('other')]
        """));
}
