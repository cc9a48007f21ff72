using MellowStand.Core.Instruments.Families;

namespace MellowStand.Core.Instruments;

/// <summary>The instruments that the product knows. A new one is one more record in the file of its family.</summary>
/// <remarks>Transpositions and General MIDI programs agree with tests/reference/facts/instruments.json (music21 10.5.1). Names in four
/// languages, written ranges, sections and what is usual in a school are from memory: common practice, no published source; handbooks
/// differ by a step or two at the upper ends of the ranges. Sounds: MusicXML 4.0, standard sounds.</remarks>
public static class Catalog
{
    /// <summary>All instruments in score order.</summary>
    public static IReadOnlyList<Instrument> All { get; } =
    [
        .. Flutes.All,
        .. DoubleReeds.All,
        .. Clarinets.All,
        .. Saxophones.All,
        .. Brasses.All,
        .. BowedStrings.All,
        .. Percussions.All,
        .. Keyboards.All,
        .. Voices.All,
    ];

    private static readonly Dictionary<string, Instrument> ById = All.ToDictionary(i => i.Id);

    /// <summary>The instrument with the id, or null.</summary>
    public static Instrument? Find(string? id) => id is not null && ById.TryGetValue(id, out var found) ? found : null;
}
