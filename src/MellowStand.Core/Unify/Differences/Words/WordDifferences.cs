using MellowStand.Core.Decisions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Words that change how it is played and stand in some parts of a line only: pizz., arco, con sord., solo, a 2, div.</summary>
/// <remarks>Compared is what is in force; a word is one entry for as long as it holds. Bows are compared with bows and mutes within
/// strings or brass; who plays of a desk may well differ, and is told as a note. One section plucked or muted under others that are not is
/// often meant, so that no word is taken away or written in unseen. Common practice, no published source.</remarks>
public sealed class WordDifferences : IDifferenceRule
{
    private const double Newer = 1.6;

    /// <inheritdoc/>
    public string Kind => "articulation";

    /// <inheritdoc/>
    public string Name => "words";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line)
    {
        foreach (var group in PlayingWords.Groups)
        {
            var able = line.Only(v => PlayingWords.AreFor(group, context.FamilyOf(v.Part), context.SustainOf(v.Part)));
            foreach (var family in able.Voices.GroupBy(v => group == PlayingWords.Mute ? context.SustainOf(v.Part) : default).ToList())
                foreach (var d in InGroup(context, able.Only(family.Contains), group))
                    yield return d;
        }
    }

    private IEnumerable<Difference> InGroup(UnifyContext context, SharedLine line, string group)
    {
        if (line.Voices.Count < 2 || line.Voices.All(v => context.WordsOf(v.Part, group).Count == 0))
            yield break;
        List<string>? running = null;
        for (var i = 0; i < line.Notes[0].Count; i++)
        {
            var now = line.Voices.Select((v, k) => context.WordAt(v.Part, group, line.Notes[k][i].Onset)).ToList();
            var signs = now.Select(w => w?.Sign ?? PlayingWords.UsualOf(group)).ToList();
            var differs = signs.Distinct().Count() > 1;
            if (differs && (running is null || !running.SequenceEqual(signs)))
                yield return Told(context, line, group, i, now, signs);
            running = differs ? signs : null;
        }
    }

    private Difference Told(UnifyContext context, SharedLine line, string group, int place, List<PlacedWord?> now, List<string> signs)
    {
        var readings = line.Voices.Select((v, k) => new Reading(v.Part.Id, [line.Notes[k][place].Id], signs[k])).ToList();
        var changes = signs
            .Distinct()
            .ToDictionary(
                s => s,
                s =>
                    (IReadOnlyList<MarkChange>)
                        [
                            .. Enumerable
                                .Range(0, signs.Count)
                                .Where(k => signs[k] != s)
                                .SelectMany(k => Changes(line.Voices[k].Part, line.Notes[k][place], now[k], s)),
                        ]
            );
        var proposal = new Ballot(context, Kind, readings).With(Newest(line, place, now, signs)).Decide().AtMost(Sureness.Likely);
        var kind = group == PlayingWords.Bow ? "bowing" : Kind;
        return context.Difference($"{Name} {group}", kind, line, place, place, readings, changes, proposal) with
        {
            IsNote = group == PlayingWords.Desk,
            Causes =
            [
                .. now.Select((w, k) => (w, k)).Where(x => x.w is not null).Select(x => $"{line.Voices[x.k].Part.Id}@{group}{x.w!.Onset}"),
            ],
        };
    }

    // A word that is printed here says more than the one before it that goes on elsewhere.
    private static IEnumerable<Reason> Newest(SharedLine line, int place, List<PlacedWord?> now, List<string> signs)
    {
        var printed = signs.Where((_, k) => IsNew(line.Notes[k], place, now[k])).Distinct().ToList();
        if (printed is [{ Length: > 0 } one])
            yield return new Reason(one, Newer, "newest", $"{one} is printed here; what goes on in the others was printed before.");
    }

    private static bool IsNew(IReadOnlyList<Note> row, int place, PlacedWord? word) =>
        word is not null && word.Onset <= row[place].Onset && (place == 0 || word.Onset > row[place - 1].Onset);

    // A word of now is taken away where it stands; one of long ago is answered.
    private static IEnumerable<MarkChange> Changes(Part part, Note note, PlacedWord? now, string sign)
    {
        var standsHere = now is not null && now.Onset == note.Onset;
        if (standsHere)
            yield return new MarkChange(part.Id, [note.Id], [], [new Mark("words", now!.Text)]);
        if (sign.Length > 0 && (!standsHere || now!.Before != sign))
            yield return new MarkChange(part.Id, [note.Id], [new Mark("words", sign)], []);
    }
}

/// <summary>A printed word of a group at its place.</summary>
/// <param name="Onset">Quarters from the start of the score.</param>
/// <param name="Text">As printed.</param>
/// <param name="Sign">What it says.</param>
/// <param name="Before">What held before it.</param>
internal sealed record PlacedWord(Fraction Onset, string Text, string Sign, string Before);
