using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>A note that clashes with its doubling: D♯ in one part and D♮ in another at the same moment.</summary>
/// <remarks>Either a misprint or the worst mistake to come. Told at concert pitch, so that transposing parts can be compared. Common
/// practice, no published source.</remarks>
public sealed class PitchDifferences : IDifferenceRule
{
    /// <inheritdoc/>
    public string Kind => "pitch";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line)
    {
        for (var i = 0; i < line.Notes[0].Count; i++)
        {
            var classes = line.Notes.Select(row => ((row[i].TopSounding!.Value % 12) + 12) % 12).ToList();
            if (classes.All(c => c == classes[0]))
                continue;
            // D♯ and E♭ are one key: readings are told by the first part that has it.
            var names = classes
                .Select(c => ConcertPitch.Of(line.Voices[classes.IndexOf(c)].Part, line.Notes[classes.IndexOf(c)][i]).Name)
                .ToList();
            var readings = line.Voices.Select((v, k) => new Reading(v.Part.Id, [line.Notes[k][i].Id], Signed(names[k]))).ToList();
            var place = i;
            var changes = readings.Select(r => r.Has).Distinct().ToDictionary(has => has, has => Changes(line, place, readings, has));
            yield return context.Difference(
                Kind,
                line,
                i,
                i,
                readings,
                changes,
                ProposalRules.ForPitches(context, readings, Elsewhere(context, line, i))
            );
        }
    }

    private static List<string> Elsewhere(UnifyContext context, SharedLine line, int i) =>
        [
            .. line.Voices.SelectMany(
                (v, k) => context.Elsewhere.Of(v, line.Notes[k][i]).Select(n => Signed(ConcertPitch.Of(v.Part, n).Name))
            ),
        ];

    private static string Signed(string name) => name.Length == 1 ? name + "♮" : name;

    private static IReadOnlyList<MarkChange> Changes(SharedLine line, int i, List<Reading> readings, string has)
    {
        var from = readings.FindIndex(r => r.Has == has);
        var sounding = ConcertPitch.Of(line.Voices[from].Part, line.Notes[from][i]);
        return
        [
            .. readings
                .Select((r, k) => (Reading: r, Voice: line.Voices[k], Note: line.Notes[k][i]))
                .Where(x => x.Reading.Has != has)
                .Select(x => new MarkChange(
                    x.Reading.Part,
                    [x.Note.Heads.MaxBy(h => h.Sounding)!.Id],
                    [new Mark("pitch", Plain(ConcertPitch.WrittenFor(x.Voice.Part, x.Note, sounding)))],
                    []
                )),
        ];
    }

    // As the short form and the marks spell it: F#4, Bb3.
    private static string Plain(Pitch p) =>
        p.Step
        + (
            p.Alter switch
            {
                1 => "#",
                -1 => "b",
                2 => "x",
                -2 => "bb",
                _ => "",
            }
        )
        + p.Octave.ToString(System.Globalization.CultureInfo.InvariantCulture);
}
