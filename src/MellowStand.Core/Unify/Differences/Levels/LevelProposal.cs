using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Makes the entry of a mismatch of levels: which of them wins, and what is written.</summary>
/// <remarks>What is printed now beats what was printed long ago; what most other parts print at the same moment speaks for itself; where
/// all
/// else is even, the balance decides: a line on top must be heard. Common practice, no published source; the weights are ours.</remarks>
internal static class LevelProposal
{
    private const int LongAgo = 6;
    private const int LeastAround = 3;
    private const double Newer = 1.2;
    private const double NewLevel = 1.3;
    private const double Arrival = 1.2;
    private const double AroundWeight = 0.8;
    private const double BalanceWeight = 0.5;

    /// <summary>The entry of one mismatch, or of several with one cause that were put together.</summary>
    public static Difference Of(UnifyContext context, LevelMismatch mismatch)
    {
        var words = mismatch.Readings.Select(r => r.Told).ToList();
        var readings = mismatch.Readings.Select((r, i) => new Reading(r.Part.Id, [r.Note.Id], words[i])).ToList();
        var changes = words
            .Distinct()
            .ToDictionary(
                has => has,
                has =>
                    (IReadOnlyList<MarkChange>)
                        [.. mismatch.Readings.Where((_, i) => words[i] != has).SelectMany(r => LevelSigns.Changes(r, has))]
            );
        var reasons = Aged(mismatch, words)
            .Concat(Arrives(mismatch, words))
            .Concat(Around(context, mismatch, words))
            .Concat(Balance(context, mismatch, readings));
        // Where nobody prints a level at the moment, parts only meet with what each had before: that is looked at, never taken unseen.
        var proposal = new Ballot(context, "dynamic", readings)
            .With(reasons)
            .Decide()
            .AtMost(mismatch.IsPrinted ? Sureness.Sure : Sureness.Likely);
        return context.Difference("dynamic", "dynamic", mismatch.Line, mismatch.Place, mismatch.Last, readings, changes, proposal) with
        {
            IsNote = mismatch.IsBalance || mismatch.IsEntry,
            Causes = [.. mismatch.Readings.Select(r => $"{r.Part.Id}@{mismatch.Began}")],
            Levels = mismatch,
        };
    }

    // A sign of many measures ago, against one of now.
    private static IEnumerable<Reason> Aged(LevelMismatch mismatch, List<string> words)
    {
        int Age(LevelReading r) => r.Note.MeasureIndex - (r.InForce?.Measure ?? 0);
        var isOld = mismatch.Readings.Select(r => r.Printed.Count == 0 && Age(r) >= LongAgo).ToList();
        var fresh = words.Where((_, i) => !isOld[i]).Distinct().ToList();
        if (!isOld.Contains(true) || fresh.Count != 1 || fresh[0].Length == 0 || words.Where((_, i) => isOld[i]).Contains(fresh[0]))
            yield break;
        var age = mismatch.Readings.Where((_, i) => isOld[i]).Max(Age);
        yield return new Reason(fresh[0], Newer, "newest", $"The other dynamic has stood for {age} measures; what is printed now counts.");
    }

    // One new level against none: what goes on in the others was printed before; a hairpin that leads there asks for a level.
    private static IEnumerable<Reason> Arrives(LevelMismatch mismatch, List<string> words)
    {
        var printed = mismatch.Readings.Where(r => r.Printed.Count > 0).ToList();
        if (mismatch.IsEntry || printed.Count == 0 || printed.Count == words.Count || words.Distinct().Count() != 2)
            yield break;
        var level = printed[0].Told;
        if (DynamicLevels.LevelAfter(level) is null)
            yield break;
        yield return new Reason(level, NewLevel, "newest", $"{level} is printed here; what goes on in the others was printed before.");
        var leads = mismatch.Readings.Count(r => r.Part.Hairpins.Any(h => LeadsTo(h, r.Note)));
        if (leads > printed.Count)
            yield return new Reason(level, Arrival, "around", $"A hairpin leads to it, and {level} is where it arrives.");
    }

    private static bool LeadsTo(Hairpin hairpin, Note note) =>
        hairpin.From < note.Onset && hairpin.To <= note.Onset && note.Onset - hairpin.To <= 1;

    private static IEnumerable<Reason> Around(UnifyContext context, LevelMismatch mismatch, List<string> words)
    {
        if (!mismatch.IsPrinted)
            yield break;
        var own = mismatch.Readings.Select(r => r.Part.Id).ToHashSet();
        var at = mismatch.Began;
        var others = context
            .Score.Parts.Where(p => !own.Contains(p.Id))
            .Select(p => context.LevelsOf(p).At(at))
            .OfType<PrintedLevel>()
            .ToList();
        var now = others.Where(l => l.Onset == at).ToList();
        if (
            now.Count >= LeastAround
            && now.GroupBy(l => l.Sign).MaxBy(g => g.Count()) is { } most
            && most.Count() * 2 > now.Count
            && words.Contains(most.Key)
        )
            yield return new Reason(most.Key, AroundWeight, "around", $"{most.Count()} other parts print {most.Key} at the same moment.");
        if (now.Count == 0 && others.Count > LeastAround)
            yield return new Reason("", AroundWeight, "around", "No other part prints a dynamic at this moment.");
    }

    private static IEnumerable<Reason> Balance(UnifyContext context, LevelMismatch mismatch, List<Reading> readings)
    {
        if (readings.First(r => r.Part == context.LeaderOf(readings)).Has.Length > 0)
            yield break;
        var groups = readings.Where(r => r.Has.Length > 0).GroupBy(r => r.Has).OrderByDescending(g => g.Count()).ToList();
        var even = groups
            .Where(g => g.Count() == groups[0].Count() && DynamicLevels.LevelAfter(g.Key) is not null)
            .Select(g => g.Key)
            .ToList();
        if (even.Count < 2)
            yield break;
        var isOnTop = IsOnTop(context, mismatch);
        var asked = isOnTop ? even.MaxBy(DynamicLevels.LevelAfter)! : even.MinBy(DynamicLevels.LevelAfter)!;
        var where = isOnTop ? "The line is on top here and must be heard: the louder" : "Other parts sound above the line: the softer";
        yield return new Reason(asked, BalanceWeight, "balance", $"{where} of {string.Join(" and ", even)}, as the balance asks.");
    }

    // No part outside the line sounds higher in the measure.
    private static bool IsOnTop(UnifyContext context, LevelMismatch mismatch)
    {
        var measure = mismatch.Line.Notes[0][mismatch.Place].MeasureIndex;
        int Highest(Part part) =>
            part.Measures[measure].Notes.Where(n => n.TopSounding is not null).Select(n => n.TopSounding!.Value).DefaultIfEmpty(0).Max();
        var own = mismatch.Readings.Select(r => r.Part).ToHashSet();
        return own.Max(Highest) >= context.Score.Parts.Where(p => !own.Contains(p)).Select(Highest).DefaultIfEmpty(0).Max();
    }
}
