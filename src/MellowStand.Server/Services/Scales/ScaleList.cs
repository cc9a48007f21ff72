namespace MellowStand.Server.Services;

/// <summary>A scale asked for.</summary>
/// <param name="Kind">Its kind.</param>
/// <param name="Tonic">Its tonic.</param>
/// <param name="Octaves">Octaves; all that the instrument has when left out.</param>
public sealed record ScaleAsk(string? Kind, string? Tonic, int? Octaves = null);

/// <summary>A list of scales to keep on the shelf.</summary>
/// <param name="Instrument">Instrument id of the catalog.</param>
/// <param name="Scales">The scales in order.</param>
/// <param name="Pitch"><c>written</c> or <c>concert</c> tonics.</param>
/// <param name="Rhythm">The rhythm.</param>
/// <param name="Slurring">The slurring.</param>
/// <param name="Signs"><c>signature</c> or <c>accidentals</c>.</param>
/// <param name="Fingerings"><c>chosen</c>, <c>all</c> or <c>none</c>.</param>
/// <param name="Positions">For the bass: <c>small-steps</c> or <c>six</c>; the school's when left out.</param>
/// <param name="Level">The level whose range is kept; the school's when left out.</param>
/// <param name="Title">Its title; made from the scales when left out.</param>
/// <param name="Up">Octaves above the lowest tonic of the range at which each begins; 0 when left out.</param>
public sealed record ScaleListRequest(
    string? Instrument,
    IReadOnlyList<ScaleAsk>? Scales,
    string? Pitch = null,
    string? Rhythm = null,
    string? Slurring = null,
    string? Signs = null,
    string? Fingerings = null,
    string? Positions = null,
    string? Level = null,
    string? Title = null,
    int? Up = null
);
