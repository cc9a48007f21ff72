using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Notes of a line that carry other articulations in some parts than in others.</summary>
/// <remarks>Parts that play the same line must agree on separation, accents and length. Struck instruments have accents but no separation
/// of their own; plucked strings are short by themselves; a note that is tied on, trilled or at least twice as long as its partner's is not
/// played short. Common practice, no published source.</remarks>
public sealed class ArticulationDifferences : NoteMarkDifferences
{
    private const double OtherMarks = 3;

    private static readonly string[] Accents = ["accent", "strong-accent", "stress", "soft-accent"];

    private static readonly string[] All =
    [
        "accent",
        "strong-accent",
        "staccato",
        "tenuto",
        "detached-legato",
        "staccatissimo",
        "spiccato",
        "stress",
        "unstress",
        "soft-accent",
    ];

    private static readonly string[] Separations = ["staccato", "tenuto", "detached-legato", "staccatissimo", "spiccato"];

    private static readonly string[] Shorts = ["staccato", "detached-legato", "staccatissimo", "spiccato"];

    private static readonly string[] Shaken = ["trill-mark", "tremolo", "shake", "wavy-line"];

    private static readonly string[] Plucked = [.. All.Except(Separations)];

    private static readonly string[] Held = [.. All.Except(Shorts)];

    /// <summary>True when a note carries a mark that this rule compares.</summary>
    internal static bool IsArticulated(Note note) => note.Marks.Any(Compares);

    /// <summary>True for a mark that this rule compares.</summary>
    internal static bool Compares(Mark mark) => All.Contains(mark.Name);

    /// <inheritdoc/>
    public override string Kind => "articulation";

    /// <inheritdoc/>
    protected override IReadOnlyList<string> Names => All;

    /// <inheritdoc/>
    protected override IReadOnlyList<string> NamesFor(UnifyContext context, Part part) => context.IsStruck(part) ? Accents : All;

    /// <inheritdoc/>
    protected override IReadOnlyList<string> NamesAt(
        UnifyContext context,
        VoiceLine voice,
        Note note,
        Fraction shortest,
        IReadOnlyList<string> names
    )
    {
        if (names != All)
            return names;
        if (context.IsPlucked(voice.Part, note.Onset))
            return Plucked;
        return IsHeld(note, shortest) ? Held : names;
    }

    /// <summary>True where a short note would be another note than the one that is printed.</summary>
    /// <param name="note">The note.</param>
    /// <param name="shortest">The shortest of those that are compared with it.</param>
    internal static bool IsHeld(Note note, Fraction shortest) =>
        note.SoundingDuration >= shortest * 2 || note.Heads.Any(h => h.TiedTo is not null) || Shaken.Any(note.Has);

    /// <inheritdoc/>
    /// <remarks>Marks on notes that most others have under a slur are another way to play them, not stray ones.</remarks>
    private protected override IEnumerable<Reason> Besides(SharedLine line, IReadOnlyList<int> places, IReadOnlyList<string> readings)
    {
        bool IsUnderSlur(int k) => places.Any(i => UnifyContext.SlursOf(line.Voices[k]).Covers(line.Notes[k][i]));
        var (marked, plain) = (Voices(readings, has => has.Length > 0), Voices(readings, has => has.Length == 0));
        if (marked.Count > 0 && plain.Count(IsUnderSlur) * 2 > plain.Count && !marked.Exists(IsUnderSlur))
            yield return new Reason(null, OtherMarks, "split", "The others slur there.");
    }

    private static List<int> Voices(IReadOnlyList<string> readings, Func<string, bool> which) =>
        [.. Enumerable.Range(0, readings.Count).Where(k => which(readings[k]))];

    /// <inheritdoc/>
    protected override bool GoesOn(string reading) => reading.Split('+').Any(Separations.Contains);
}
