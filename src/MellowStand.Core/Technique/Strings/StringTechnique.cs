using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Strings;

/// <summary>A bowed instrument's neck.</summary>
/// <param name="Strings">Letters and sounding keys of the open strings, the lowest first.</param>
/// <param name="Fingers">For each finger its half steps above the first finger's place, with the sign that is written (empty, <c>h</c> or <c>l</c>).</param>
/// <param name="Positions">Half steps of the first finger above the open string in each position from the 1st.</param>
public sealed record Neck(IReadOnlyList<(string Letter, int Open)> Strings, IReadOnlyList<(int Finger, int Above, string Sign)> Fingers, IReadOnlyList<int> Positions);

/// <summary>Violin, viola, cello, bass: string, finger, position.</summary>
/// <remarks>The second finger is high (touching three) or low (touching one), never between: on the A string C♯ is high two and C♮ low two; C♯ on the G string is a high three. Fourth finger instead of
/// the open string for anything longer than two quarter-note beats, above all the open E, also when it saves two string crossings. One finger does not slide E–D♯–E: shift. Common practice, no published
/// source; open strings agree with tests/reference/facts/instruments.json.</remarks>
public sealed class StringTechnique(Neck neck) : ITechnique
{
    /// <inheritdoc/>
    public IReadOnlyList<Candidate> Ways(Passage passage, int place)
    {
        var midi = passage.Steps[place].Note.TopSounding!.Value;
        var ways = new List<Candidate>();
        for (var s = 0; s < neck.Strings.Count; s++)
        {
            var above = midi - neck.Strings[s].Open;
            if (above == 0) ways.Add(Open(passage, place, s));
            if (above <= 0) continue;
            for (var p = 0; p < neck.Positions.Count; p++)
                foreach (var finger in neck.Fingers.Where(f => neck.Positions[p] + f.Above == above)) ways.Add(Stopped(s, p, finger));
        }

        var usual = ways.Where(w => PositionOf(w) <= 1).DefaultIfEmpty(ways.FirstOrDefault()).MinBy(w => w?.Cost);
        return [.. ways.Select(w => w with { IsUsual = w == usual })];
    }

    /// <inheritdoc/>
    public (double Cost, string? Why) Change(Passage passage, int place, Candidate from, Candidate to)
    {
        var haste = Math.Clamp(0.25 / (passage.Steps[place].Before ?? 1), 0.4, 2);
        var crossing = Math.Abs(StringOf(from) - StringOf(to)) * StringCosts.PerCrossing;
        var (a, b) = (PositionOf(from), PositionOf(to));
        // An open string leaves the hand where it is, and gives it time to move.
        var shift = a == 0 || b == 0 || a == b ? 0 : (StringCosts.Shift + (Math.Abs(a - b) * StringCosts.PerPosition)) * haste;
        var slides = a == b && a > 0 && StringOf(from) == StringOf(to) && FingerOf(from) == FingerOf(to) && from.Code != to.Code;
        var leaps = a == b && a > 0 && StringOf(from) != StringOf(to) && FingerOf(from) == FingerOf(to) ? StringCosts.SameFingerAcross : 0;
        return ((crossing * haste) + shift + (slides ? StringCosts.Slide * haste : 0) + leaps, slides ? "one finger would slide" : shift > 0 ? $"shift to position {b}" : null);
    }

    private Candidate Open(Passage passage, int place, int s)
    {
        var isLong = passage.Beats(place) > 2;
        var top = s == neck.Strings.Count - 1;
        var rule = passage.House["fourth-finger"];
        var cost = rule switch { "open-allowed" => 0, "always" => passage.Beats(place) >= 1 ? 1.2 : 0.1, _ => isLong ? 1.5 + (top ? 0.8 : 0) : 0 };
        return new Candidate($"{neck.Strings[s].Letter}0", cost + StringCosts.Open, "", s);
    }

    private Candidate Stopped(int s, int p, (int Finger, int Above, string Sign) f)
    {
        var cost = (p * StringCosts.PerHighPosition) + StringCosts.Fingers[f.Finger] + (f.Sign.Length > 0 && f.Finger != 2 ? StringCosts.Stretched : 0);
        var code = neck.Strings[s].Letter + f.Finger.ToString(CultureInfo.InvariantCulture) + f.Sign + (p == 0 ? "" : $"@{p + 1}");
        return new Candidate(code, Math.Round(cost, 3), f.Finger == 4 && p == 0 ? "fourth finger: the tone matches, and the bow stays" : "", s + (f.Finger * 10) + ((p + 1) * 100));
    }

    private static int StringOf(Candidate c) => c.State % 10;

    private static int FingerOf(Candidate c) => c.State / 10 % 10;

    private static int PositionOf(Candidate c) => c.State / 100;
}

/// <summary>What string work costs.</summary>
/// <remarks>Our own weights, no published source.</remarks>
internal static class StringCosts
{
    public const double PerCrossing = 0.3;
    public const double Shift = 0.5;
    public const double PerPosition = 0.15;
    public const double PerHighPosition = 0.35;
    public const double Slide = 1.2;
    public const double SameFingerAcross = 0.2;
    public const double Open = 0.02;
    public const double Stretched = 0.25;

    public static IReadOnlyList<double> Fingers { get; } = [0, 0, 0, 0.02, 0.25];
}

/// <summary>The necks of the four bowed instruments.</summary>
/// <remarks>Open strings: tests/reference/facts/instruments.json (music21 10.5.1). Hand frames from memory: violin and viola a fourth, cello a minor third (major when extended), bass a whole step.</remarks>
public static class Necks
{
    private static readonly IReadOnlyList<(int Finger, int Above, string Sign)> High = [(1, 0, ""), (1, -1, "l"), (2, 1, "l"), (2, 2, "h"), (3, 3, ""), (3, 4, "h"), (4, 5, ""), (4, 4, "l")];

    private static readonly IReadOnlyList<(int Finger, int Above, string Sign)> Cello = [(1, 0, ""), (1, -1, "l"), (2, 1, ""), (3, 2, ""), (4, 3, ""), (4, 4, "h")];

    private static readonly IReadOnlyList<(int Finger, int Above, string Sign)> Bass = [(1, 0, ""), (1, -1, "l"), (2, 1, ""), (4, 2, "")];

    /// <summary>Violin.</summary>
    public static Neck OfViolin { get; } = new([("G", 55), ("D", 62), ("A", 69), ("E", 76)], High, [2, 4, 5, 7, 9, 11, 12]);

    /// <summary>Viola.</summary>
    public static Neck OfViola { get; } = new([("C", 48), ("G", 55), ("D", 62), ("A", 69)], High, [2, 4, 5, 7, 9, 11, 12]);

    /// <summary>Violoncello.</summary>
    public static Neck OfCello { get; } = new([("C", 36), ("G", 43), ("D", 50), ("A", 57)], Cello, [2, 4, 5, 7, 9, 11, 12]);

    /// <summary>Contrabass.</summary>
    public static Neck OfBass { get; } = new([("E", 28), ("A", 33), ("D", 38), ("G", 43)], Bass, [2, 4, 5, 7, 9, 10, 12]);
}
