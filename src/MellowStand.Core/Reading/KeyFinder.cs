using MellowStand.Core.Notation;

namespace MellowStand.Core.Reading;

/// <summary>A stretch of measures in one sounding key.</summary>
/// <param name="From">First measure from 0.</param>
/// <param name="To">Last measure from 0.</param>
/// <param name="Tonic">Pitch class of the tonic, 0 to 11 above C.</param>
/// <param name="IsMinor">True for minor.</param>
public sealed record KeyStretch(int From, int To, int Tonic, bool IsMinor)
{
    /// <summary>Pitch class of the major key with the same signature.</summary>
    public int RelativeMajor => IsMinor ? (Tonic + 3) % 12 : Tonic;

    /// <summary>Fifths of its signature nearest to another signature's, so that a signature of five flats is not told as seven
    /// sharps.</summary>
    public int FifthsNear(int fifths)
    {
        var place = RelativeMajor * 7 % 12;
        return new[] { place - 24, place - 12, place, place + 12 }
            .Where(f => f is >= -7 and <= 7)
            .MinBy(f => (Math.Abs(f - fifths) * 16) + Math.Abs(f));
    }
}

/// <summary>Finds the keys that music is in, measure by measure.</summary>
/// <remarks>Method: the Bayesian key finder of D. Temperley, "Music and Probability" (MIT Press, 2007), chapter 6: each measure is the set
/// of pitch classes that sound in it; a key gives each scale degree a probability of being there (Kostka–Payne profiles, values from
/// memory); keys change between measures with a small probability; the best path is found by dynamic programming (Viterbi). A change within
/// a piece costs more here than there, since a hidden key is told only when it lasts.</remarks>
public static class KeyFinder
{
    private const double Stay = 0.985;
    private const double StayOfOneLine = 0.93;

    /// <summary>Pitch classes in a measure up to which music is as thin as one line: each measure says little, and a change is believed on
    /// less.</summary>
    private const double Thin = 4.5;

    private static readonly double[] Major = [0.748, 0.060, 0.488, 0.082, 0.670, 0.460, 0.096, 0.715, 0.104, 0.366, 0.057, 0.400];

    private static readonly double[] Minor = [0.712, 0.084, 0.474, 0.618, 0.049, 0.460, 0.105, 0.747, 0.404, 0.067, 0.133, 0.330];

    /// <summary>The keys of a score in order; measures without pitch go with their neighbours.</summary>
    public static IReadOnlyList<KeyStretch> Stretches(Score score)
    {
        if (score.Measures.Count == 0)
            return [];
        var sets = PitchClasses(score);
        var path = Path([.. sets.Select(Likelihoods)], IsThin(sets) ? StayOfOneLine : Stay);
        var stretches = new List<KeyStretch>();
        for (var m = 0; m < path.Length; m++)
        {
            if (stretches.Count > 0 && path[m] == path[m - 1])
                stretches[^1] = stretches[^1] with { To = m };
            else
                stretches.Add(new KeyStretch(m, m, path[m] % 12, path[m] >= 12));
        }

        return stretches;
    }

    // Bit k is set when pitch class k sounds in the measure.
    private static int[] PitchClasses(Score score)
    {
        var sets = new int[score.Measures.Count];
        foreach (var note in score.Parts.SelectMany(p => p.Notes).Where(n => !n.IsGrace && !n.IsCue))
            foreach (var head in note.Heads.Where(h => h.Sounding is not null))
                sets[note.MeasureIndex] |= 1 << (((head.Sounding!.Value % 12) + 12) % 12);
        return sets;
    }

    private static double[] Likelihoods(int set)
    {
        var values = new double[24];
        if (set == 0)
            return values;
        for (var key = 0; key < 24; key++)
        {
            var profile = key < 12 ? Major : Minor;
            for (var pc = 0; pc < 12; pc++)
            {
                var p = profile[(pc - key + 24) % 12];
                values[key] += Math.Log((set & (1 << pc)) != 0 ? p : 1 - p);
            }
        }

        return values;
    }

    private static bool IsThin(int[] sets) =>
        sets.Where(s => s != 0).Select(s => System.Numerics.BitOperations.PopCount((uint)s)).DefaultIfEmpty(0).Average() <= Thin;

    private static int[] Path(double[][] emissions, double staying)
    {
        var change = Math.Log((1 - staying) / 23);
        var stay = Math.Log(staying);
        var best = (double[])emissions[0].Clone();
        var from = new int[emissions.Length][];
        for (var m = 1; m < emissions.Length; m++)
        {
            from[m] = new int[24];
            var top = Array.IndexOf(best, best.Max());
            var next = new double[24];
            for (var key = 0; key < 24; key++)
            {
                var stays = best[key] + stay >= best[top] + change;
                from[m][key] = stays ? key : top;
                next[key] = (stays ? best[key] + stay : best[top] + change) + emissions[m][key];
            }

            best = next;
        }

        var path = new int[emissions.Length];
        path[^1] = Array.IndexOf(best, best.Max());
        for (var m = emissions.Length - 1; m > 0; m--)
            path[m - 1] = from[m][path[m]];
        return path;
    }
}
