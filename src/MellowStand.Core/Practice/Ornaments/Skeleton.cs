using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>Without graces and ornaments.</summary>
/// <remarks>Skeleton, then graces, then trills, then all. Common practice, no published source.</remarks>
public sealed class Skeleton : IRecipe
{
    /// <inheritdoc/>
    public string Name => "skeleton";

    /// <inheritdoc/>
    public string Title => "Skeleton";

    /// <inheritdoc/>
    public string Why => "The plain notes alone, so that rhythm and pulse are right before anything is added.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Pitches | Keeps.Length;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        var graces = passage.Notes.Count(n => n.IsGrace);
        var ornaments = passage.Notes.Count(n => n.Marks.Any(m => OrnamentMarks.All.Contains(m.Name)));
        return graces + ornaments == 0
            ? null
            : new Suit(Math.Min(0.95, 0.7 + (0.05 * (graces + ornaments))), Amounts.Of((graces, "grace note"), (ornaments, "ornament")));
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage) =>
        [Voices.Change(passage.Music, v => v.Where(n => !n.IsGrace).Select(n => MarksOut.Without(n, MarksOut.Ornaments)))];
}

/// <summary>Counts in words.</summary>
internal static class Amounts
{
    /// <summary>E.g. <c>2 grace notes, 1 ornament</c>; what there is none of is left out.</summary>
    public static string Of(params (int Count, string What)[] amounts) =>
        string.Join(", ", amounts.Where(a => a.Count > 0).Select(a => $"{a.Count} {a.What}{(a.Count == 1 ? "" : "s")}"));
}
