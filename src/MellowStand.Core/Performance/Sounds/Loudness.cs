using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>How loud a part is at each moment, as MIDI velocity.</summary>
/// <remarks>A hairpin leads to the level printed at its end, or one level on. Mezzo forte is 80 and a level 12; an accent adds 12, a
/// marcato
/// or a sforzando 18: our own convention, since nobody has a published loudness for mezzo forte.</remarks>
internal sealed class Loudness
{
    private const double Silent = 20;
    private const double PerLevel = 12;
    private const double Accent = 12;
    private const double Strike = 18;

    private static readonly Fraction Beside = 1;

    private readonly List<(Fraction At, double From, Fraction Until, double To)> _ramps = [];

    public Loudness(LevelLine line)
    {
        var level = (double)DynamicLevels.Default;
        var at = Fraction.Zero;
        var swells = line.Swells.Select(s => (At: s.From, Swell: (Swell?)s, Printed: (PrintedLevel?)null));
        var levels = line.Levels.Select(l => (At: l.Onset, Swell: (Swell?)null, Printed: (PrintedLevel?)l));
        foreach (var (_, swell, printed) in levels.Concat(swells).OrderBy(e => e.At))
        {
            if (printed is not null)
                (at, level) = (printed.Onset, printed.Level);
            if (printed is not null)
                _ramps.Add((at, level, at, level));
            if (swell is null)
                continue;
            var goal = Goal(line, swell, level);
            _ramps.Add((swell.From, level, swell.To, goal));
            level = goal;
        }
    }

    /// <summary>The velocity of a note, 1 to 127.</summary>
    public int Of(Note note)
    {
        var level = LevelAt(note.Onset);
        var strikes = note.Marks.Where(m => m.Name == "dynamics" && m.Value is not null).Select(m => m.Value!).ToList();
        var added = note.Has("strong-accent") || strikes.Exists(s => DynamicLevels.LevelAfter(s) is null) ? Strike : 0;
        if (strikes.Exists(DynamicLevels.IsStrikeThenLevel))
            level = Math.Max(level + 2, DynamicLevels.LevelAfter("f")!.Value);
        if (added == 0 && note.Has("accent"))
            added = Accent;
        return (int)Math.Clamp(Math.Round(Silent + (level * PerLevel) + added), 1, 127);
    }

    /// <summary>The level at a moment of the printed score, 0 (pppp) to 9 (ffff), between two in a swell.</summary>
    public double LevelAt(Fraction onset)
    {
        var place = _ramps.PlaceFrom(r => r.At, onset);
        while (place < _ramps.Count && _ramps[place].At == onset)
            place++;
        if (place == 0)
            return DynamicLevels.Default;
        var (at, from, until, to) = _ramps[place - 1];
        if (onset >= until)
            return to;
        return from + ((to - from) * ((onset - at).Value / (until - at).Value));
    }

    private static double Goal(LevelLine line, Swell swell, double level)
    {
        var next = line.From(swell.To - Beside);
        var isItsGoal = next is not null && next.Onset > swell.From && next.Onset <= swell.To + Beside;
        if (isItsGoal && (swell.Grows ? next!.Level > level : next!.Level < level))
            return next!.Level;
        return Math.Clamp(level + (swell.Grows ? 1 : -1), 0, 9);
    }
}
