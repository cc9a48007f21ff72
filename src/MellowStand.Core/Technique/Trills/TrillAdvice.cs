using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique.Charts;
using MellowStand.Core.Technique.Strings;

namespace MellowStand.Core.Technique.Trills;

/// <summary>How a trill is fingered.</summary>
/// <param name="Quality"><c>good</c>, <c>fair</c> or <c>poor</c>.</param>
/// <param name="How">What is held and what is trilled.</param>
public sealed record TrillAdvice(string Quality, string How)
{
    private static readonly Dictionary<string, string> Fingers = new()
    {
        ["LT"] = "left thumb",
        ["L1"] = "left first finger",
        ["L2"] = "left second finger",
        ["L3"] = "left ring finger",
        ["L4"] = "left little finger",
        ["LP"] = "left palm",
        ["RP"] = "right palm",
        ["RT"] = "right thumb",
        ["R1"] = "right first finger",
        ["R2"] = "right second finger",
        ["R3"] = "right ring finger",
        ["R4"] = "right little finger",
    };

    private static readonly Dictionary<string, string> Valves = new()
    {
        ["1"] = "first valve",
        ["2"] = "second valve",
        ["3"] = "third valve",
        ["4"] = "fourth valve",
        ["T"] = "thumb trigger",
    };

    /// <summary>The advice as a sentence for a player.</summary>
    public string Sentence =>
        Quality == "poor" ? $"No good fingering: {How.Replace("poor: ", "", StringComparison.Ordinal)}." : $"Fingers: {How}.";

    /// <summary>How a trill is fingered on an instrument, or null where the product has no chart for it.</summary>
    /// <param name="instrument">The instrument.</param>
    /// <param name="hands">What the players have.</param>
    /// <param name="house">The school's answers.</param>
    /// <param name="part">The part.</param>
    /// <param name="note">The trilled note.</param>
    /// <param name="upper">Its upper note, written.</param>
    public static TrillAdvice? Of(Instrument? instrument, Hands? hands, House house, Part part, Note note, Pitch upper)
    {
        if (instrument is null || note.Top is not { } main)
            return null;
        if (TechniqueCatalog.Of(instrument, NamedOptions.With(hands, part, instrument), house)?.Chart is not { } chart)
            return null;
        var key = TechniqueDesk.ChartKeyOf(note, chart.Value, instrument);
        return Of(chart.Value, key, key + upper.Midi - main.Midi);
    }

    /// <summary>The best fingering of a trill on a chart.</summary>
    /// <remarks>A trill with a row of its own in the chart has that; else the two fingerings that differ least: one finger is good, two
    /// that move together fair, all else poor; two little fingers in turn are good, since the upper note's key may stay down. A slide
    /// trills with the lips, on partials a whole step apart. Common practice, no published source.</remarks>
    public static TrillAdvice Of(FingeringChart chart, int lower, int upper)
    {
        if (chart.Trills.FirstOrDefault(t => t.Lower == lower && t.Upper == upper) is { } own)
            return new TrillAdvice(own.How.Contains("poor", StringComparison.Ordinal) ? "poor" : "good", own.How);
        if (chart.Kind == "neck")
            return OnString(chart, lower, upper);
        var pairs = chart.At(lower).SelectMany(a => chart.At(upper).Select(b => (From: a, To: b))).ToList();
        if (pairs.Count == 0)
            return new TrillAdvice("poor", "one of the two notes is not in the chart");
        if (chart.Kind == "slide")
            return OnSlide(pairs);
        var (from, to, moves) = pairs
            .Select(p => (p.From, p.To, Moves: FingerMoves.Find(chart, p.From, OctaveKept(chart, p.From, p.To))))
            .OrderBy(p => Weight(p.Moves))
            .First();
        if (moves.Count == 0)
            return new TrillAdvice("fair", $"lip trill on {Named(from, chart)}");
        if (AreLittleFingers(moves))
            return new TrillAdvice("good", LittleFingers(moves));
        var moving = moves.Lifts.Concat(moves.Presses).Concat(moves.Slides).Select(f => Moving(chart, f, from, to)).ToList();
        var quality = moves switch
        {
            { Slides.Count: > 0 } or { Crossings: > 0 } or { Count: > 2 } => "poor",
            { Count: 1 } => "good",
            _ => "fair",
        };
        return new TrillAdvice(
            quality,
            (quality == "poor" ? "poor: " : "") + $"from {Named(from, chart)} move the {string.Join(" and the ", moving)}"
        );
    }

    // Changing the octave key is for held notes: a trill keeps that of its lower note.
    private static Fingering OctaveKept(FingeringChart chart, Fingering from, Fingering to)
    {
        var octave = chart.Keys.Where(k => k.Label.StartsWith('8')).Select(k => k.Id).ToHashSet();
        var (own, other) = (from.Keys.Where(octave.Contains).ToList(), to.Keys.Where(octave.Contains).ToList());
        return own.Count == 0 || other.Count == 0 ? to : to with { Keys = [.. to.Keys.Except(other), .. own] };
    }

    // The key of the upper note may stay down: that of the lower one closes what it closes.
    private static bool AreLittleFingers(FingerMoves moves) =>
        moves is { Lifts: [var a], Presses: [var b], Slides.Count: 0 } && a != b && a[1] == '4' && b[1] == '4';

    private static string LittleFingers(FingerMoves moves) =>
        $"hold the upper note's key with the {Fingers[moves.Presses[0]]}, trill the lower note's key with the {Fingers[moves.Lifts[0]]}";

    // A valve by its number, a side or palm key by its name, all else by the finger.
    private static string Moving(FingeringChart chart, string finger, Fingering from, Fingering to)
    {
        var key = chart.Keys.FirstOrDefault(k => k.Finger == finger && from.Keys.Contains(k.Id) != to.Keys.Contains(k.Id));
        if (chart.Kind == "valves" && key is not null)
            return Valves.GetValueOrDefault(key.Id, Fingers[finger]);
        return finger switch
        {
            "RP" when key is not null => $"side {key.Label}",
            "LP" when key is not null => $"palm {key.Label}",
            _ => Fingers[finger],
        };
    }

    private static int Weight(FingerMoves moves) => moves.Count + (2 * moves.Crossings) + (3 * moves.Slides.Count);

    private static TrillAdvice OnSlide(List<(Fingering From, Fingering To)> pairs) =>
        pairs.FirstOrDefault(p => p.From.Code == p.To.Code) is { From: { } same }
            ? new TrillAdvice("fair", $"lip trill in position {same.Code}")
            : new TrillAdvice("poor", "poor: the slide cannot trill; play a slow shake or leave it out");

    private static TrillAdvice OnString(FingeringChart chart, int lower, int upper)
    {
        var pair = chart
            .At(lower)
            .SelectMany(a =>
                chart
                    .At(upper)
                    .Where(b => b.Keys[0] == a.Keys[0] && b.Code != a.Code && Place(a) == Place(b) && Finger(b) > Finger(a))
                    .Select(b => (From: a, To: b))
            )
            .OrderBy(p => p.From.Code.Length + p.To.Code.Length)
            .ThenBy(p => Finger(p.To))
            .FirstOrDefault();
        return pair.From is null
            ? new TrillAdvice("poor", "poor: no two fingers of one hand place reach both notes")
            : new TrillAdvice("good", $"{pair.From.Code} with {pair.To.Code}");
    }

    private static HandPlace? Place(Fingering f) => (f.Placement as StringPlacement)?.Hand;

    private static int Finger(Fingering f) => (f.Placement as StringPlacement)?.Finger is { } finger and < Necks.Thumb ? finger : 0;

    private static string Named(Fingering f, FingeringChart chart)
    {
        if (chart.Kind == "valves")
            return f.Code == "0" ? "open" : f.Code;
        return f.Code == "only" ? "the usual fingering" : $"\"{f.Code}\"";
    }
}

/// <summary>A printed trill with its fingering.</summary>
/// <param name="Note">The note.</param>
/// <param name="Upper">The upper note, written.</param>
/// <param name="Advice">How it is fingered.</param>
public sealed record TrillFingering(Note Note, Pitch Upper, TrillAdvice Advice);
