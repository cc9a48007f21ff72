using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Whether somebody else sounds on while a player breathes.</summary>
/// <remarks>Staggered breathing needs two who play the same: those who are seated at the part tell it; where nobody is, chamber music up to
/// an octet has one player a part. Common practice, no published source.</remarks>
internal static class Company
{
    private const int LargestChamber = 8;

    /// <summary>True where a line can be carried by several: a section plays the part, or another part sounds the same.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="part">The part.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    public static bool IsWith(StudyContext context, Part part, int from, int to) =>
        IsOfSeveral(context, part)
        || Enumerable
            .Range(from, to - from + 1)
            .All(m => context.SoundsOf(part)[m].Length == 0 || context.PartsSoundingAs(part, m).Any(p => p.Id != part.Id));

    private static bool IsOfSeveral(StudyContext context, Part part) =>
        context.PlayersOf(part) is > 0 and var players ? players > 1 : context.Score.Parts.Count > LargestChamber;

    /// <summary>What to do where nothing parts a line: <c>stagger</c> with others, alone a note is left out.</summary>
    public static string Cure(StudyContext context, Part part, int from, int to) =>
        IsWith(context, part, from, to) ? "stagger" : "leave a note out";
}
