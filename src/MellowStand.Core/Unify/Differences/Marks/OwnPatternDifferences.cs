using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>A measure in which a part lacks the short notes that it has in all measures beside it, where its partners cannot print
/// them.</summary>
/// <remarks>A bassoon that is short in every measure but one, beside plucked strings: the partners say nothing, but it is unlike itself.
/// Where partners can print it, the comparison with them tells. Common practice, no published source; the bounds are ours.</remarks>
public sealed class OwnPatternDifferences : IDifferenceRule
{
    private const int LeastMeasures = 3;
    private const int LeastNotes = 2;

    private static readonly string[] Shorts = ["staccato", "staccatissimo", "spiccato", "tenuto"];

    /// <inheritdoc/>
    public string Kind => "articulation";

    /// <inheritdoc/>
    public string Name => "own-pattern";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line)
    {
        var able = Enumerable.Range(0, line.Voices.Count).Where(k => CanPrint(context, line, k)).ToList();
        return able.Count == 1 && line.Voices.Count > 1 ? InVoice(context, line, able[0]) : [];
    }

    private static bool CanPrint(UnifyContext context, SharedLine line, int voice)
    {
        var part = line.Voices[voice].Part;
        return !context.IsStruck(part) && !context.IsPlucked(part, line.Notes[voice][0].Onset);
    }

    private IEnumerable<Difference> InVoice(UnifyContext context, SharedLine line, int voice)
    {
        var part = line.Voices[voice].Part;
        foreach (var alike in line.Notes[voice].Select((n, i) => (Note: n, Place: i)).GroupBy(x => x.Note.SoundingDuration))
        {
            var measures = alike
                .GroupBy(x => x.Note.MeasureIndex)
                .Where(g => g.Count() >= LeastNotes)
                .Select(g => (Places: g.Select(x => x.Place).ToList(), Sign: SignOf([.. g.Select(x => x.Note)])))
                .ToList();
            for (var m = 1; m + 1 < measures.Count; m++)
            {
                var (places, own) = measures[m];
                if (own is { Length: 0 } && Beside(measures, m) is { } sign && !IsSlurred(part, line.Notes[voice], places))
                    yield return Told(context, line, voice, places, measures[m - 1].Places, sign);
            }
        }
    }

    // What all the other measures have, before and after.
    private static string? Beside(List<(List<int> Places, string? Sign)> measures, int m)
    {
        var (before, after) = (measures[m - 1].Sign, measures[m + 1].Sign);
        return before is { Length: > 0 } && before == after && measures.Count(x => x.Sign == before) >= LeastMeasures ? before : null;
    }

    // The one sign on all the notes; empty for none; null where some have it and some have not.
    private static string? SignOf(List<Note> notes)
    {
        var signs = notes.Select(n => n.Marks.FirstOrDefault(m => Shorts.Contains(m.Name)).Name ?? "").Distinct().ToList();
        return signs.Count == 1 ? signs[0] : null;
    }

    private static bool IsSlurred(Part part, IReadOnlyList<Note> row, List<int> places) =>
        part.Slurs.Any(s => s.From.Onset < row[places[^1]].Onset && s.To.Onset > row[places[0]].Onset);

    private Difference Told(UnifyContext context, SharedLine line, int voice, List<int> places, List<int> before, string sign)
    {
        var (part, row) = (line.Voices[voice].Part, line.Notes[voice]);
        List<Reading> readings =
        [
            new(part.Id, [.. places.Select(i => row[i].Id)], ""),
            new(part.Id, [.. before.Select(i => row[i].Id)], sign),
        ];
        var changes = new Dictionary<string, IReadOnlyList<MarkChange>>
        {
            [""] = [],
            [sign] = [new MarkChange(part.Id, readings[0].Notes, [new Mark(sign)], [])],
        };
        var why = $"{context.NameOf(part.Id)} has it in the measures before and after; its partners cannot print it.";
        var proposal = new Proposal(sign, [part.Id], why, "pattern", Sureness.Likely);
        return context.Difference(Name, Kind, line, places[0], places[^1], readings, changes, proposal);
    }
}
