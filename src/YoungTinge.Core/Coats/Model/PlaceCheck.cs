namespace YoungTinge.Core.Coats.Model;

/// <summary>Finds what cannot be in a place.</summary>
internal static class PlaceCheck
{
    /// <param name="path">Of the place.</param>
    public static IEnumerable<PlanProblem> Problems(Place place, string path, bool isPart = false)
    {
        if (place.Kind != PlaceKind.Whole)
        {
            foreach (var (name, distance) in new[] { ("start", place.Start), ("end", place.End), ("feather", place.Feather) })
            {
                if (!(distance >= 0 && distance <= place.LargestDistance))
                    yield return new PlanProblem($"{path}.{name}", PlanProblemCode.PlaceOutOfRange, place.LargestDistance);
            }

            if (place.End < place.Start)
                yield return new PlanProblem($"{path}.end", PlanProblemCode.PlaceEndsBeforeStart);
        }

        // One level deep: nobody pictures a place made of places made of places.
        if (place.Also.Count > (isPart ? 0 : Place.MostAlso))
            yield return new PlanProblem($"{path}.also", PlanProblemCode.TooManyPlaces, isPart ? 0 : Place.MostAlso);
        else if (isPart && place.Within is not null)
            yield return new PlanProblem($"{path}.within", PlanProblemCode.TooManyPlaces, 0);
        else
        {
            foreach (var problem in place.Also.Index().SelectMany(one => Problems(one.Item, $"{path}.also[{one.Index}]", isPart: true)))
                yield return problem;
            if (place.Within is not null)
            {
                foreach (var problem in Problems(place.Within, $"{path}.within", isPart: true))
                    yield return problem;
            }
        }
    }
}
