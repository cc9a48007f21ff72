namespace MellowStand.Server.Endpoints;

/// <summary>A choice for scales.</summary>
public sealed record ScaleChoiceView(string Name, string Words);

/// <summary>What scales can be made.</summary>
/// <param name="Kinds">Kinds of scales and arpeggios.</param>
/// <param name="Rhythms">Rhythms.</param>
/// <param name="Slurrings">Slurrings.</param>
/// <param name="Levels">Levels of players, the narrowest range first.</param>
/// <param name="Level">The school's level.</param>
public sealed record ScaleChoicesView(
    IReadOnlyList<ScaleChoiceView> Kinds,
    IReadOnlyList<string> Rhythms,
    IReadOnlyList<ScaleChoiceView> Slurrings,
    IReadOnlyList<string> Levels,
    string Level
);

/// <summary>A key in the usual order.</summary>
/// <param name="Tonic">The sounding tonic, e.g. <c>Bb</c>.</param>
/// <param name="Name">The tonic that the instrument reads, e.g. <c>C</c>, with printed signs.</param>
/// <param name="Signs">Its written signature in words.</param>
/// <param name="Octaves">Octaves that the instrument has at the level; 0 where it has not one.</param>
public sealed record KeyView(string Tonic, string Name, string Signs, int Octaves);

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
    string? Title = null
);
