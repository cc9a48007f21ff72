using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>When grace notes sound: before the beat out of the note before, or on it out of their own.</summary>
/// <remarks>House rule <c>graces</c>. Notes that close a trill come before the beat always. Each takes a tenth of a second, and all
/// together at
/// most half of the note that gives the time. Common practice, no published source.</remarks>
internal static class GraceTiming
{
    private const double Seconds = 0.1;

    private static readonly Fraction Half = new(1, 2);

    /// <summary>The sounds of a voice with its graces in time, in order.</summary>
    /// <param name="voice">Sounds of one voice in order; graces have no length yet.</param>
    /// <param name="house">The school's answers.</param>
    /// <param name="quarterSeconds">Seconds of a quarter at a moment.</param>
    public static List<Sound> Lay(IReadOnlyList<Sound> voice, House house, Func<Fraction, double> quarterSeconds)
    {
        var laid = new List<Sound>();
        for (var i = 0; i < voice.Count; i++)
        {
            if (!voice[i].Note.IsGrace)
            {
                laid.Add(voice[i]);
                continue;
            }

            var graces = voice.Skip(i).TakeWhile(s => s.Note.IsGrace && s.From == voice[i].From).ToList();
            i += graces.Count;
            var main = i < voice.Count && voice[i].From == graces[0].From ? voice[i] : null;
            if (main is null)
                i--;
            var isOnBeat = main is not null && house["graces"] == "on-beat" && !(laid.Count > 0 && Closes(laid[^1], graces[0]));
            var each = QuickLength.Of(Seconds, quarterSeconds(graces[0].From));
            if (isOnBeat)
                OnBeat(laid, graces, main!, each);
            else
                BeforeBeat(laid, graces, main, each);
        }

        return laid;
    }

    /// <summary>True where graces come right after a trill and close it.</summary>
    public static bool Closes(Sound before, Sound grace) => before.Has("trill-mark") && before.To == grace.From;

    private static void OnBeat(List<Sound> laid, List<Sound> graces, Sound main, Fraction each)
    {
        var own = Fits(each, graces.Count, main.Length);
        for (var k = 0; k < graces.Count; k++)
            laid.Add(graces[k] with { From = main.From + (own * k), To = main.From + (own * (k + 1)) });
        laid.Add(main with { From = main.From + (own * graces.Count) });
    }

    private static void BeforeBeat(List<Sound> laid, List<Sound> graces, Sound? main, Fraction each)
    {
        var beat = graces[0].From;
        var before = laid.FindLastIndex(s => s.To == beat && s.Length > Fraction.Zero);
        var own = before < 0 ? each : Fits(each, graces.Count, laid[before].Length);
        var start = beat - (own * graces.Count);
        if (before >= 0)
            laid[before] = laid[before] with { To = start };
        for (var k = 0; k < graces.Count; k++)
            laid.Add(graces[k] with { From = start + (own * k), To = start + (own * (k + 1)) });
        if (main is not null)
            laid.Add(main);
    }

    private static Fraction Fits(Fraction each, int count, Fraction length) => each * count <= length * Half ? each : length * Half / count;
}
