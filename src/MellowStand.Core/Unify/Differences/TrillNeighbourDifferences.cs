using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>A trill that goes to the half step in one part and to the whole step in another.</summary>
/// <remarks>Compared is the step that sounds, by the sign at the trill, an earlier sign or the signature, so that transposing parts can be
/// compared. Common practice, no published source.</remarks>
public sealed class TrillNeighbourDifferences : IDifferenceRule
{
    /// <inheritdoc/>
    public string Kind => "ornament";

    /// <inheritdoc/>
    public string Name => "trill-neighbour";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line)
    {
        for (var i = 0; i < line.Notes[0].Count; i++)
        {
            if (!line.Notes[0][i].Has("trill-mark"))
                continue;
            var place = i;
            var trilled = line.Notes.Select(row => row[place]).ToList();
            if (trilled.Any(n => !n.Has("trill-mark") || n.Top is null))
                continue;
            var steps = line.Voices.Select((v, k) => Step(v.Part, trilled[k])).ToList();
            if (steps.Distinct().Count() == 1)
                continue;
            var readings = line.Voices.Select((v, k) => new Reading(v.Part.Id, [trilled[k].Id], Words(steps[k]))).ToList();
            var changes = steps
                .Distinct()
                .ToDictionary(
                    Words,
                    s =>
                        (IReadOnlyList<MarkChange>)
                            [
                                .. line
                                    .Voices.Select((v, k) => (v, k))
                                    .Where(x => steps[x.k] != s)
                                    .Select(x => Change(x.v.Part, trilled[x.k], s)),
                            ]
                );
            var proposal = new Ballot(context, Kind, readings).Decide();
            yield return context.Difference(Name, Kind, line, i, i, readings, changes, proposal);
        }
    }

    private static int Step(Part part, Note note) => Neighbours.Of(part, note, 1).Midi - note.Top!.Value.Midi;

    private static string Words(int step) =>
        step switch
        {
            1 => "trill to the half step",
            2 => "trill to the whole step",
            _ => $"trill over {step} half steps",
        };

    private static MarkChange Change(Part part, Note note, int step)
    {
        var now = Neighbours.Of(part, note, 1);
        var alter = now.Alter + note.Top!.Value.Midi + step - now.Midi;
        var old = note.Marks.Where(m => m.Name == "accidental-mark").ToList();
        return new MarkChange(part.Id, [note.Id], Neighbours.SignOf(alter) is { } sign ? [new Mark("accidental-mark", sign)] : [], old);
    }
}
