namespace YoungTinge.Core.Numerics;

/// <summary>
/// What a pure function answered of late, by its question: from one edit to the next most of what is computed stays as it was. From any
/// thread; two that ask the same at the same time may both compute it.
/// </summary>
/// <param name="count">Answers to keep; the one that was asked for longest ago goes first.</param>
/// <param name="answer">Depends on the question alone.</param>
public sealed class Recent<TQuestion, TAnswer>(int count, Func<TQuestion, TAnswer> answer) where TQuestion : notnull
{
    private readonly Lock turn = new();
    private readonly Dictionary<TQuestion, LinkedListNode<(TQuestion Question, TAnswer Answer)>> known = [];
    private readonly LinkedList<(TQuestion Question, TAnswer Answer)> latestFirst = [];

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
                if (known.Count > count)
                {
                    known.Remove(latestFirst.Last!.Value.Question);
                    latestFirst.RemoveLast();
                }
            }

            return computed;
        }
    }
}
