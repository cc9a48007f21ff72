namespace MellowStand.Core.Notation;

/// <summary>The neighbouring notes that an ornament plays.</summary>
public static class Neighbours
{
    private static readonly Dictionary<string, decimal> Alters = new()
    {
        ["sharp"] = 1,
        ["flat"] = -1,
        ["natural"] = 0,
        ["double-sharp"] = 2,
        ["flat-flat"] = -2,
    };

    private static readonly Dictionary<decimal, string> Signs = Alters.ToDictionary(a => a.Value, a => a.Key);

    /// <summary>The sign of an alteration in half steps, or null where none is printed for it.</summary>
    public static string? SignOf(decimal alter) => Signs.GetValueOrDefault(alter);

    /// <summary>The neighbour above (1) or below (-1) of a note's top pitch, spelled in the signature, with the sign at the ornament or
    /// earlier in the measure.</summary>
    public static Pitch Of(Part part, Note note, int direction)
    {
        var main = note.Top!.Value;
        var place = main.Diatonic + direction;
        var octave = (int)Math.Floor(place / 7.0);
        var step = (Step)(place - (7 * octave));
        var measure = part.Measures[note.MeasureIndex];
        var printed = note.Marks.FirstOrDefault(m => m.Name == (direction > 0 ? "accidental-mark" : "accidental-mark-below"));
        if (printed.Value is { } sign && Alters.TryGetValue(sign, out var alter))
            return new Pitch(step, alter, octave);
        var earlier = measure
            .Notes.TakeWhile(n => n.Onset < note.Onset)
            .SelectMany(n => n.Heads)
            .LastOrDefault(h => h.Written is { } p && p.Step == step && p.Octave == octave);
        return new Pitch(step, earlier?.Written?.Alter ?? measure.Key.AlterOf(step), octave);
    }
}
