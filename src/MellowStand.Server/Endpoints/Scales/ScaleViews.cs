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
/// <param name="Octaves">Octaves that the instrument has at the level; 0 where it has not one at any.</param>
/// <param name="Wider">The wider level at which it has them, where the level asked has not one; null where it has.</param>
public sealed record KeyView(string Tonic, string Name, string Signs, int Octaves, string? Wider);
