using MellowStand.Core.Notation;
using MellowStand.Core.Technique.Woodwind;

namespace MellowStand.Core.Technique.Charts;

/// <summary>A key, hole or valve of a diagram.</summary>
/// <param name="Id">Its name in the chart, e.g. <c>1</c> for the left first finger's hole, <c>G#</c>.</param>
/// <param name="Label">What is written on it.</param>
/// <param name="Finger">The finger that has it: <c>LT L1 L2 L3 L4 RT R1 R2 R3 R4</c>.</param>
/// <param name="X">Place across, 0 to 100.</param>
/// <param name="Y">Place from the top, 0 to 200.</param>
/// <param name="Shape"><c>hole</c>, <c>key</c> or <c>thumb</c>.</param>
/// <param name="Place">The place on which the finger rests; keys of one place are reached without sliding.</param>
public sealed record ChartKey(string Id, string Label, string Finger, int X, int Y, string Shape, string Place);

/// <summary>One way to finger a note.</summary>
/// <param name="Code">The code of the HTTP interface; <c>only</c> where a note has one fingering.</param>
/// <param name="Keys">What is pressed, by the ids of the chart's keys; for a slide its position, for a string its letter, finger and half
/// steps.</param>
/// <param name="Name">A plain name.</param>
/// <param name="When">When it is taken.</param>
/// <param name="Cents">Usual tendency in cents (sharp is positive); null where none is told.</param>
public sealed record Fingering(string Code, IReadOnlyList<string> Keys, string Name, string When, double? Cents = null)
{
    /// <summary>How it lies in the hands; of a printed chart's fingering its name there.</summary>
    public Placement Placement { get; init; } = new KeyPlacement(Code);
}

/// <summary>The fingerings of a written pitch, the usual one first.</summary>
/// <param name="Written">The written pitch; its enharmonic twin has the same.</param>
/// <param name="Fingerings">The fingerings.</param>
public sealed record ChartNote(Pitch Written, IReadOnlyList<Fingering> Fingerings);

/// <summary>A trill with a fingering of its own.</summary>
/// <param name="Lower">Written key of the lower note.</param>
/// <param name="Upper">Written key of the upper note.</param>
/// <param name="How">What is held and what is trilled.</param>
public sealed record ChartTrill(int Lower, int Upper, string How);

/// <summary>The chart of an instrument.</summary>
/// <param name="kind">What its diagram is: <c>keys</c>, <c>valves</c>, <c>slide</c> or <c>neck</c>.</param>
/// <param name="keys">Keys of the diagram; of a neck its strings.</param>
/// <param name="notes">Notes from the lowest to the highest.</param>
/// <param name="trills">Trills with a fingering of their own.</param>
/// <param name="source">Where it comes from, and the level that it is for.</param>
public sealed class FingeringChart(
    string kind,
    IReadOnlyList<ChartKey> keys,
    IReadOnlyList<ChartNote> notes,
    IReadOnlyList<ChartTrill> trills,
    string source
)
{
    private readonly Dictionary<int, ChartNote> _byKey = notes.ToDictionary(n => n.Written.Midi);

    /// <summary>What its diagram is: <c>keys</c>, <c>valves</c>, <c>slide</c> or <c>neck</c>.</summary>
    public string Kind => kind;

    /// <summary>Keys of the diagram; of a neck its strings.</summary>
    public IReadOnlyList<ChartKey> Keys => keys;

    /// <summary>Notes from the lowest to the highest.</summary>
    public IReadOnlyList<ChartNote> Notes => notes;

    /// <summary>Trills with a fingering of their own.</summary>
    public IReadOnlyList<ChartTrill> Trills => trills;

    /// <summary>Where it comes from, and the level that it is for.</summary>
    public string Source => source;

    /// <summary>The chart with some of its notes.</summary>
    public FingeringChart Only(Func<ChartNote, bool> isKept) => new(kind, keys, [.. notes.Where(isKept)], trills, source);

    /// <summary>The fingerings of a written key number; empty where the chart has none.</summary>
    public IReadOnlyList<Fingering> At(int written) => _byKey.TryGetValue(written, out var note) ? note.Fingerings : [];

    /// <summary>The fingering with a code, or the usual one of the note where the code is not the chart's; null where the chart has no
    /// such note.</summary>
    public Fingering? Find(int written, string code) =>
        At(written) is { Count: > 0 } all ? all.FirstOrDefault(f => f.Code == code) ?? all[0] : null;
}
