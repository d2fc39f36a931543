namespace YoungTinge.Core.Numerics;

/// <summary>
/// What a pure function answered of late, by its question: from one edit to the next most of what is computed stays as it was. From any
/// thread; two that ask the same at the same time may both compute it.
/// </summary>
/// <param name="room">For answers that are kept; the one that was asked for longest ago goes first.</param>
/// <param name="answer">Depends on the question alone.</param>
/// <param name="sizeOf">How much room an answer takes; 1 for each by default. One that has no room by itself is not kept.</param>
public sealed class Recent<TQuestion, TAnswer>(long room, Func<TQuestion, TAnswer> answer, Func<TAnswer, long>? sizeOf = null) where TQuestion : notnull
{
    private readonly Lock turn = new();
    private readonly Dictionary<TQuestion, LinkedListNode<(TQuestion Question, TAnswer Answer)>> known = [];
    private readonly LinkedList<(TQuestion Question, TAnswer Answer)> latestFirst = [];
    private long taken;

    public TAnswer this[TQuestion question]
    {
        get
        {
            lock (turn)
            {
                if (known.TryGetValue(question, out var found))
                {
                    latestFirst.Remove(found);
                    latestFirst.AddFirst(found);
                    return found.Value.Answer;
                }
            }

            // Not while others wait: it may take a while, and may ask here for something else.
            var computed = answer(question);
            lock (turn)
            {
                if (known.TryGetValue(question, out var theirs))
                    return theirs.Value.Answer;
                known[question] = latestFirst.AddFirst((question, computed));
                taken += SizeOf(computed);
                while (taken > room)
                {
                    var oldest = latestFirst.Last!.Value;
                    taken -= SizeOf(oldest.Answer);
                    known.Remove(oldest.Question);
                    latestFirst.RemoveLast();
                }
            }

            return computed;
        }
    }

    private long SizeOf(TAnswer of) => sizeOf is null ? 1 : sizeOf(of);
}
