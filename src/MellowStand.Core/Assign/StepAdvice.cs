using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Assign;

/// <summary>What is practiced, left out and added at each step of a ladder, by the house rules <c>chunks</c>, <c>dynamics-start</c> and
/// <c>ornaments</c>.</summary>
/// <remarks>Schools differ on when dynamics and ornaments come in; a third and two thirds of the way are ours. Common
/// practice, no published source.</remarks>
public static class StepAdvice
{
    /// <summary>Words for each step; empty where nothing changes.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="place">The passage.</param>
    /// <param name="steps">How many steps there are.</param>
    public static IReadOnlyList<string> Of(StudyContext context, Address place, int steps)
    {
        var (score, house) = (context.Score, context.House);
        var words = Enumerable.Range(0, steps).Select(_ => new List<string>()).ToList();
        if (house["chunks"] == "joined")
            foreach (var (step, stretches) in JoinedLines.Of(context, place, steps).Index())
                if (stretches.Any(s => s.Length < place.To.Index - place.From.Index + 1))
                    words[step].Add(string.Join(", then ", stretches.Select(s => context.Measures(s.From, s.To))));
        if (steps > 0 && HasDynamics(score, place))
            Tell(
                words,
                house["dynamics-start"] == "first-day",
                "with the dynamics",
                "notes and rhythm first",
                "add the dynamics",
                steps / 3
            );
        if (steps > 0 && HasOrnaments(score, place))
            Tell(words, house["ornaments"] == "always-in", "with the ornaments", "no ornaments yet", "add the ornaments", steps * 2 / 3);
        return [.. words.Select(w => string.Join(", ", w))];
    }

    private static void Tell(List<List<string>> words, bool fromTheStart, string with, string without, string add, int from)
    {
        words[0].Add(fromTheStart || words.Count == 1 ? with : without);
        if (!fromTheStart && words.Count > 1)
            words[Math.Max(1, from)].Add(add);
    }

    private static bool HasDynamics(Score score, Address place) =>
        Parts(score, place)
            .Any(p =>
                p.Directions.Any(d => d.Kind == DirectionKind.Dynamic && place.Meets(d.MeasureIndex, d.MeasureIndex))
                || p.Hairpins.Any(h => place.Meets(h.FromMeasure, h.ToMeasure))
            );

    private static bool HasOrnaments(Score score, Address place) =>
        Parts(score, place)
            .SelectMany(p => p.Measures.Where(m => place.Meets(m.Index, m.Index)))
            .SelectMany(m => m.Notes)
            .Any(n => n.IsGrace || OrnamentMarks.All.Any(n.Has));

    private static IEnumerable<Part> Parts(Score score, Address place) => score.Parts.Where(p => place.Parts.Contains(p.Id));
}
