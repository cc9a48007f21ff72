using MellowStand.Core.Notation;
using MellowStand.Core.Study.Rules;

namespace MellowStand.Core.Study;

/// <summary>What several rules ask of one part, each worked out once, when first asked for; safe for many readers.</summary>
/// <remarks>It rests on the part and the frame of measures alone, so that it stays true as long as the part does, whatever is decided in
/// others.</remarks>
internal sealed class PartFacts(Score score, Part part)
{
    private readonly Lazy<LevelLine> _levels = new(() => new LevelLine(score, part));
    private readonly Lazy<Melody> _melody = new(() => new Melody(part));
    private readonly Lazy<IReadOnlyList<MeasureContent>> _content = new(() => part.Measures.Select(m => new MeasureContent(m)).ToArray());
    private readonly Lazy<IReadOnlyDictionary<string, int>> _measures = new(() => part.Notes.ToDictionary(n => n.Id, n => n.MeasureIndex));
    private IReadOnlyList<RepeatedBlock>? _returns;
    private IReadOnlyList<string>? _sounds;
    private IReadOnlyList<string>? _rhythms;

    public LevelLine Levels => _levels.Value;

    public Melody Melody => _melody.Value;

    public IReadOnlyList<MeasureContent> Content => _content.Value;

    /// <summary>The stretches of measures that come again.</summary>
    public IReadOnlyList<RepeatedBlock> Returns => _returns ??= [.. RepeatedBlocks.Find(Content)];

    /// <summary>Note id to its measure from 0.</summary>
    public IReadOnlyDictionary<string, int> Measures => _measures.Value;

    /// <summary>For each measure what sounds in it, whatever the octave; equal texts are equal lines.</summary>
    public IReadOnlyList<string> Sounds => _sounds ??= Told(n => $"{n.Offset}:{n.SoundingDuration}:{n.TopSounding % 12}", 1);

    /// <summary>For each measure when it strikes and how long it holds; empty where it strikes fewer than three times.</summary>
    public IReadOnlyList<string> Rhythms => _rhythms ??= Told(n => $"{n.Offset}:{n.SoundingDuration}", 3);

    private string[] Told(Func<Note, string> tell, int least) =>
        [
            .. part
                .Measures.Select(m => Melody.ByMeasure[m.Index].ToList())
                .Select(notes => notes.Count < least ? "" : string.Join(' ', notes.Select(tell))),
        ];
}
