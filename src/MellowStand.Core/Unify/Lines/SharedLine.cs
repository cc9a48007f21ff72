using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>A voice of a part as a row of struck notes.</summary>
/// <param name="Part">Its part.</param>
/// <param name="Voice">The voice as printed.</param>
/// <param name="Notes">Its notes by onset: no rests, graces, cues or tie continuations.</param>
public sealed record VoiceLine(Part Part, string Voice, IReadOnlyList<Note> Notes);

/// <summary>A stretch in which the same voices go together.</summary>
/// <param name="Voices">The voices in score order; in a return the same voice twice, the earlier place first.</param>
/// <param name="Notes">For each voice its notes; the n-th notes of all voices belong together.</param>
/// <param name="Kind"><c>same-rhythm</c> or <c>return</c>; null for parts that sound the same notes at the same time.</param>
public sealed record SharedLine(IReadOnlyList<VoiceLine> Voices, IReadOnlyList<IReadOnlyList<Note>> Notes, string? Kind = null)
{
    /// <summary>Parts that strike together with other notes.</summary>
    public const string SameRhythm = "same-rhythm";

    /// <summary>A part that plays the same again at another place.</summary>
    public const string Return = "return";

    /// <summary><c>unison</c> when all sound the same keys, <c>octave</c>, <c>same-rhythm</c> or <c>return</c>.</summary>
    public string Relation =>
        _relation ??=
            Kind
            ?? (
                Notes.All(row => row.Zip(Notes[0]).Count(p => p.First.TopSounding == p.Second.TopSounding) * 2 > row.Count)
                    ? "unison"
                    : "octave"
            );

    private string? _relation;

    /// <summary>The line of some of its voices.</summary>
    public SharedLine Only(Func<VoiceLine, bool> which)
    {
        var kept = Enumerable.Range(0, Voices.Count).Where(i => which(Voices[i])).ToList();
        return kept.Count == Voices.Count ? this : Of(kept);
    }

    /// <summary>The line of the voices at some places of it.</summary>
    internal SharedLine Of(IReadOnlyList<int> voices) => new([.. voices.Select(i => Voices[i])], [.. voices.Select(i => Notes[i])], Kind);

    /// <summary>The same line where some parts were read anew with other marks.</summary>
    /// <param name="parts">Part as it was to the part as it is.</param>
    /// <param name="notes">The notes of those parts as they are, by id.</param>
    internal SharedLine In(IReadOnlyDictionary<Part, Part> parts, IReadOnlyDictionary<string, Note> notes)
    {
        VoiceLine Voice(VoiceLine v) => parts.TryGetValue(v.Part, out var part) ? new VoiceLine(part, v.Voice, Again(v.Notes)) : v;
        IReadOnlyList<Note> Again(IReadOnlyList<Note> row) => [.. row.Select(n => notes.GetValueOrDefault(n.Id, n))];
        var voices = Voices.Select(Voice).ToList();
        return new SharedLine(voices, [.. Notes.Select((row, i) => voices[i] == Voices[i] ? row : Again(row))], Kind);
    }

    /// <summary>First and last measure from 0, over all its places.</summary>
    public (int From, int To) Measures => (Notes.Min(row => row[0].MeasureIndex), Notes.Max(row => row[^1].MeasureIndex));
}
