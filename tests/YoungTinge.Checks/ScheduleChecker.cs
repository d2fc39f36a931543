using YoungTinge.Core.Scheduling;

namespace YoungTinge.Checks;

/// <summary>
/// Looks through a schedule minute by minute and rule by rule, with nothing of the model that found it: whatever it names is broken.
/// </summary>
public static class ScheduleChecker
{
    /// <returns>What is broken, in words; empty if nothing is.</returns>
    public static IReadOnlyList<string> Faults(SchedulingProblem problem, Schedule schedule)
    {
        var faults = new List<string>();
        var times = schedule.Tasks.ToLookup(timed => timed.TaskId);
        foreach (var task in problem.Tasks)
        {
            if (times[task.Id].Count() != 1)
            {
                faults.Add($"{task.Id} is there {times[task.Id].Count()} times");
                continue;
            }

            var timed = times[task.Id].Single();
            if (timed.EndMin - timed.StartMin != task.Minutes)
                faults.Add($"{task.Id} takes {timed.EndMin - timed.StartMin} min");
            if (timed.StartMin % problem.StepMin != 0)
                faults.Add($"{task.Id} begins between two steps");
            if (timed.StartMin > task.LatestMin)
                faults.Add($"{task.Id} begins later than it may");
            if (timed.StartMin < task.EarliestMin || timed.EndMin > problem.HorizonMin)
                faults.Add($"{task.Id} is out of the time there is");
            if (!task.NeedsHand)
                continue;
            var hand = problem.Hands.FirstOrDefault(hand => hand.Id == timed.HandId);
            if (hand is null)
                faults.Add($"{task.Id} is done by nobody");
            else if (!hand.Free.Any(span => span.From <= timed.StartMin && timed.EndMin <= span.To))
                faults.Add($"{task.Id} is done when {hand.Id} is not there");
        }

        if (faults.Count > 0)
            return faults;
        TimedTask Of(string id) => times[id].Single();

        // A hand that has begun and not ended something may not begin another thing.
        foreach (var hand in problem.Hands)
        {
            var own = problem.Tasks.Where(task => task.NeedsHand && Of(task.Id).HandId == hand.Id).Select(task => Of(task.Id)).Where(timed => timed.EndMin > timed.StartMin).OrderBy(timed => timed.StartMin).ToList();
            for (var i = 1; i < own.Count; i++)
            {
                if (own[i].StartMin < own[i - 1].EndMin)
                    faults.Add($"{hand.Id} does {own[i - 1].TaskId} and {own[i].TaskId} at once");
            }
        }

        foreach (var link in problem.After)
        {
            var wait = Of(link.Then).StartMin - Of(link.First).EndMin;
            if (wait < link.LeastMin)
                faults.Add($"{link.Then} begins {link.LeastMin - wait} min too soon after {link.First}");
            if (wait > link.MostMin)
                faults.Add($"{link.Then} begins {wait - link.MostMin} min too late after {link.First}");
        }

        foreach (var place in problem.Places)
        {
            var uses = problem.Uses.Where(use => use.PlaceId == place.Id).Select(use => (From: Of(use.FromTaskId).StartMin, To: Of(use.UntilTaskId).EndMin, use.Amount)).ToList();
            // It is fullest at the moment when something is put there.
            foreach (var moment in uses.Select(use => use.From).Distinct())
            {
                var there = uses.Where(use => use.From <= moment && moment < use.To).Sum(use => use.Amount);
                if (there > place.Room)
                    faults.Add($"{place.Id} holds {there} of {place.Room} at {moment}");
            }
        }

        var late = problem.Due.Sum(due => Math.Max(0, Of(due.TaskId).EndMin - due.ByMin));
        if (late != schedule.LateMin)
            faults.Add($"it says {schedule.LateMin} min late and is {late}");
        var finish = schedule.Tasks.Max(timed => timed.EndMin);
        if (finish != schedule.FinishMin)
            faults.Add($"it says it ends at {schedule.FinishMin} and ends at {finish}");
        return faults;
    }
}
