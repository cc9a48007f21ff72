using MellowStand.Core.Notation;

namespace MellowStand.Core.Tempo;

/// <summary>The note value that a metronome beats.</summary>
/// <param name="Name">The name of the HTTP interface, e.g. <c>dotted-quarter</c>.</param>
/// <param name="Quarters">Its length in quarters.</param>
public sealed record BeatUnit(string Name, Fraction Quarters)
{
    /// <summary>The units that a ladder may use, shortest first.</summary>
    public static IReadOnlyList<BeatUnit> All { get; } =
    [
        new("sixteenth", new(1, 4)),
        new("dotted-sixteenth", new(3, 8)),
        new("eighth", new(1, 2)),
        new("dotted-eighth", new(3, 4)),
        new("quarter", 1),
        new("dotted-quarter", new(3, 2)),
        new("half", 2),
        new("dotted-half", 3),
    ];

    /// <summary>The quarter.</summary>
    public static BeatUnit Quarter { get; } = All.First(u => u.Quarters == 1);

    /// <summary>The unit with the name, or null.</summary>
    public static BeatUnit? Find(string? name) => All.FirstOrDefault(u => u.Name == name);

    /// <summary>The unit of a length, or null when no unit has it.</summary>
    public static BeatUnit? OfLength(Fraction quarters) => All.FirstOrDefault(u => u.Quarters == quarters);
}

/// <summary>So many beats of a unit in a minute.</summary>
/// <param name="Unit">The beat unit.</param>
/// <param name="Bpm">Beats per minute.</param>
public sealed record TempoMark(BeatUnit Unit, double Bpm)
{
    /// <summary>Quarters per minute: what two marks of different units are compared by.</summary>
    public double QuarterBpm => Bpm * Unit.Quarters.Value;
}
