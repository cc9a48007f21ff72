using System.Collections.Concurrent;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Strings;

/// <summary>Every way to play one note on a neck, by itself: what surrounds it is judged elsewhere.</summary>
/// <remarks>Natural harmonics: the octave's node gives the octave, the fifth's the twelfth, the fourth's the double octave (harmonic
/// series).</remarks>
/// <param name="neck">The neck.</param>
/// <param name="home">How much of a place's price is paid: more where the hand is to stay in first position.</param>
internal sealed class StringWays(Neck neck, double home)
{
    private const int NodeFinger = 3;
    private const int OctaveNode = 12;
    private const int FourthFinger = 4;
    private const int StretchedBy = 6;
    private const int EasyOnAll = 7;

    // Half steps of the node above the open string, and what sounds there.
    private static readonly (int Node, int Sounds)[] Nodes = [(OctaveNode, 12), (7, 19), (5, 24)];

    private readonly HashSet<int> _opens = [.. neck.Strings.Select(s => s.Open)];
    private readonly ConcurrentDictionary<(int Midi, int Letter, bool Harmonic), IReadOnlyList<Candidate>> _known = new();

    /// <summary>Stopped notes and harmonics of a sounding key, the cheapest first, without what is never taken.</summary>
    /// <param name="midi">The sounding key.</param>
    /// <param name="written">The written pitch, whose letter has its finger in first position; null for a chart.</param>
    /// <param name="harmonic">True where a harmonic is written.</param>
    public IReadOnlyList<Candidate> Stopped(int midi, Pitch? written, bool harmonic) =>
        _known.GetOrAdd((midi, written?.Diatonic ?? -1, harmonic), _ => [.. Within(All(midi, written, harmonic))]);

    /// <summary>All of them, for a chart.</summary>
    public IEnumerable<Candidate> All(int midi, Pitch? written, bool harmonic)
    {
        for (var s = 0; s < neck.Strings.Count; s++)
        {
            var above = midi - neck.Strings[s].Open;
            if (above <= 0)
                continue;
            foreach (var (node, _) in Nodes.Where(n => n.Sounds == above && (harmonic || n.Node == OctaveNode)))
                yield return Harmonic(s, node, harmonic);
            foreach (var hand in neck.Places)
                foreach (var finger in hand.Fingers.Where(f => hand.Offset + f.Above == above))
                    yield return Stop(s, hand, finger, harmonic, written);
        }
    }

    /// <summary>True where a key is that of an open string.</summary>
    public bool IsOpen(int midi) => _opens.Contains(midi);

    /// <summary>The open strings that sound a key.</summary>
    public IEnumerable<int> Opens(int midi) => Enumerable.Range(0, neck.Strings.Count).Where(s => neck.Strings[s].Open == midi);

    /// <summary>An open string with the hand at a place.</summary>
    public StringPlacement Open(int s, HandPlace? hand) => On(s, 0, Lie.Plain, hand);

    /// <summary>What a place costs a note.</summary>
    public double StayOf(HandPlace hand) => hand.Stay * home;

    private static IEnumerable<Candidate> Within(IEnumerable<Candidate> all)
    {
        var sorted = all.OrderBy(w => w.Cost).ToList();
        return sorted.TakeWhile(w => w.Cost <= sorted[0].Cost + StringCosts.Reach).Take(StringCosts.MostWays);
    }

    private Candidate Stop(int s, HandPlace hand, FingerPlace f, bool harmonic, Pitch? written)
    {
        var isFirst = ReferenceEquals(hand, neck.FirstPosition);
        var cost =
            StayOf(hand)
            + (neck.FollowsLetters ? StringCosts.Fingers : StringCosts.LowFingers)[f.Finger]
            + LieOf(f)
            + (!isFirst && f.Lie is (Lie.Back or Lie.Forward) ? StringCosts.OpenedElsewhere : 0)
            + (harmonic ? StringCosts.NoHarmonic : 0)
            + (s < neck.Strings.Count - 1 ? Math.Max(0, hand.Offset - EasyOnAll) * StringCosts.HighOnLowString : 0)
            + (isFirst && neck.FollowsLetters && written is { } pitch && LettersAbove(s, pitch) != f.Finger ? StringCosts.OtherLetter : 0);
        var matches =
            f.Finger == FourthFinger && isFirst && neck.Strings.Any(o => o.Open == neck.Strings[s].Open + hand.Offset + f.Above);
        return new Candidate(
            On(s, f.Finger, f.Lie, hand),
            Math.Round(cost, 3),
            (matches, hand.HasThumb) switch
            {
                (true, _) => "fourth finger: the tone matches, and the bow stays",
                (_, true) => "thumb position",
                _ => "",
            }
        );
    }

    private double LieOf(FingerPlace f)
    {
        if (f.Finger == 2 && neck.FollowsLetters)
            return 0;
        return f is { Finger: FourthFinger, Above: StretchedBy } ? StringCosts.StretchedFourth : StringCosts.Lies[f.Lie];
    }

    // In first position a finger a letter: A♭ on the D string is a low four, G♯ a high three.
    private int LettersAbove(int s, Pitch pitch) =>
        pitch.Diatonic - Pitch.Parse(neck.Strings[s].Letter + "0").Diatonic - (7 * ((neck.Strings[s].Open / 12) - 1));

    private Candidate Harmonic(int s, int node, bool written)
    {
        var name = node switch
        {
            OctaveNode => "octave",
            7 => "fifth",
            _ => "fourth",
        };
        var hand = neck.Places.MinBy(p => Math.Abs(p.Offset - Math.Max(neck.FirstPosition.Offset, node - NodeFinger)))!;
        return new Candidate(
            On(s, NodeFinger, Lie.Plain, hand, node),
            (written, node == OctaveNode) switch
            {
                (true, true) => 0,
                (true, false) => 0.2,
                _ => neck.Harmonic + (s < neck.Strings.Count - 1 ? StringCosts.LowHarmonic : 0),
            },
            $"natural harmonic, touched at the {name}"
        );
    }

    private StringPlacement On(int s, int finger, Lie lie, HandPlace? hand, int? node = null) =>
        new(s, Numbers[neck.Strings.Count - s - 1], neck.Strings[s].Letter, finger, lie, hand, node);

    private static readonly string[] Numbers = ["1", "2", "3", "4", "5"];
}
