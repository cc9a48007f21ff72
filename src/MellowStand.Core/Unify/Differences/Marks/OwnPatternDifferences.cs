using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Notes of a part that lack the mark which all like notes around them have, or have another one, where no partner prints it
/// either.</summary>
/// <remarks>A bassoon that is short in every measure but one, beside plucked strings: the partners say nothing, but it is unlike itself.
/// Where a partner prints the mark, the comparison with it tells. Common practice, no published source; the bounds are ours.</remarks>
public sealed class OwnPatternDifferences : IDifferenceRule
{
    private const int LeastBeside = 2;
    private const int LeastWith = 6;
    private const int MostWithout = 4;
    private const int Around = 4;

    private static readonly string[] Signs = ["staccato", "staccatissimo", "spiccato", "tenuto", "accent", "strong-accent"];

    /// <inheritdoc/>
    public string Kind => "articulation";

    /// <inheritdoc/>
    public string Name => "own-pattern";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line) =>
        line.Voices.Count < 2 ? [] : Alone(line).SelectMany(k => InVoice(context, line, k));

    // Voices that have signs where no partner has half as many.
    private static IEnumerable<int> Alone(SharedLine line)
    {
        var signed = line.Notes.Select(row => row.Count(n => n.Marks.Count > 0 && SignOf(n).Length > 0)).ToList();
        return Enumerable
            .Range(0, signed.Count)
            .Where(k => signed[k] >= LeastWith && !signed.Where((s, other) => other != k && s * 2 >= signed[k]).Any());
    }

    private IEnumerable<Difference> InVoice(UnifyContext context, SharedLine line, int voice)
    {
        var row = line.Notes[voice];
        foreach (var alike in row.Select((n, i) => (Note: n, Place: i)).GroupBy(x => x.Note.SoundingDuration, x => x.Place))
        {
            var places = alike.ToList();
            if (places.Select(p => SignOf(row[p])).Where(s => s.Length > 0).GroupBy(s => s).MaxBy(g => g.Count())?.Key is not { } sign)
                continue;
            for (int from = 0, to; from < places.Count; from = to)
            {
                to = from + 1;
                if (SignOf(row[places[from]]) == sign)
                    continue;
                while (to < places.Count && SignOf(row[places[to]]) != sign)
                    to++;
                if (!HaveAround(row, places, from, to, sign) || IsPartners(line, voice, places[(from - 1)..(to + 1)], sign))
                    continue;
                var without = places[from..to];
                if (IsPlain(line, voice, without))
                    yield return Told(context, line, voice, without, places[from - 1], sign);
            }
        }
    }

    // True where all like notes around have the sign but these.
    private static bool HaveAround(IReadOnlyList<Note> row, List<int> places, int from, int to, string sign)
    {
        if (to - from > MostWithout || from < LeastBeside || to + LeastBeside > places.Count)
            return false;
        var (first, last) = (row[places[from]].MeasureIndex - Around, row[places[to - 1]].MeasureIndex + Around);
        var around = 0;
        for (var k = from - 1; k >= 0 && row[places[k]].MeasureIndex >= first; k--, around++)
            if (SignOf(row[places[k]]) != sign)
                return false;
        for (var k = to; k < places.Count && row[places[k]].MeasureIndex <= last; k++, around++)
            if (SignOf(row[places[k]]) != sign)
                return false;
        return around >= LeastWith;
    }

    // A partner that prints it there, or beside, is compared with.
    private static bool IsPartners(SharedLine line, int voice, List<int> places, string sign) =>
        line.Notes.Where((_, k) => k != voice).Any(row => places.Exists(i => row[i].Has(sign)));

    // Nothing stands there in its place.
    private static bool IsPlain(SharedLine line, int voice, List<int> places) =>
        !places.Exists(i => ArticulationDifferences.IsHeld(line.Notes[voice][i], line.Notes[voice][i].SoundingDuration))
        && !IsSlurred(line.Voices[voice].Part, line.Notes[voice], places);

    private static string SignOf(Note note) => note.Marks.FirstOrDefault(m => Signs.Contains(m.Name)).Name ?? "";

    private static bool IsSlurred(Part part, IReadOnlyList<Note> row, List<int> places) =>
        part.Slurs.Any(s => s.From.Onset <= row[places[^1]].Onset && s.To.Onset >= row[places[0]].Onset);

    private Difference Told(UnifyContext context, SharedLine line, int voice, List<int> places, int before, string sign)
    {
        var (part, row) = (line.Voices[voice].Part, line.Notes[voice]);
        var has = string.Join(", ", places.Select(i => SignOf(row[i])).Where(s => s.Length > 0).Distinct());
        List<Reading> readings = [new(part.Id, [.. places.Select(i => row[i].Id)], has), new(part.Id, [row[before].Id], sign)];
        var changes = new Dictionary<string, IReadOnlyList<MarkChange>>
        {
            [has] = [],
            [sign] = [.. places.Select(i => new MarkChange(part.Id, [row[i].Id], [new Mark(sign)], Others(row[i])))],
        };
        var why = $"{context.NameOf(part.Id)} has it on all like notes around; no partner prints it.";
        var proposal = new Proposal(sign, [part.Id], why, "pattern", Sureness.Likely);
        return context.Difference(Name, Kind, line, places[0], places[^1], readings, changes, proposal);
    }

    private static IReadOnlyList<Mark> Others(Note note) => SignOf(note) is { Length: > 0 } sign ? [new Mark(sign)] : [];
}
