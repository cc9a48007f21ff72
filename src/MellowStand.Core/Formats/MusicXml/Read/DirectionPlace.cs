using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Where a direction stands: at the cursor, moved by its <c>offset</c>.</summary>
/// <remarks>MusicXML 4.0, element "offset": a distance in divisions from where the direction is written; its <c>sound</c> attribute says
/// whether the move counts for playing too. A move by a hair sets the sign free of a neighbour on the page: a sign that lands next to a
/// note
/// or rest belongs to it, unless the file says that the move is meant.</remarks>
/// <param name="Offset">Quarters from the start of the measure, as the file has it.</param>
/// <param name="IsMoved">True where the file moves it from where it is written.</param>
/// <param name="IsExact">True where it stays where the file has it, whatever stands beside it.</param>
internal readonly record struct DirectionPlace(Fraction Offset, bool IsMoved, bool IsExact)
{
    private static readonly Fraction Hair = new(7, 16);

    /// <summary>Reads the place of a direction.</summary>
    /// <param name="walk">The walk that met it.</param>
    /// <param name="direction">The element.</param>
    public static DirectionPlace Of(PartWalk walk, XElement direction)
    {
        if (direction.Element("offset") is not { } offset || offset.Exact() is not { } moved || moved == Fraction.Zero)
            return new DirectionPlace(walk.Cursor, IsMoved: false, IsExact: true);
        var isMeant = offset.Attribute("sound")?.Value == "yes";
        return new DirectionPlace(walk.Cursor + (moved / walk.State.Divisions), IsMoved: true, isMeant);
    }

    /// <summary>The moment in the measure, once its notes are known.</summary>
    /// <param name="moments">When notes and rests of the part begin in the measure.</param>
    /// <param name="length">The measure's length in quarters.</param>
    public Fraction In(IReadOnlyCollection<Fraction> moments, Fraction length)
    {
        var at = Fraction.Max(Fraction.Zero, Offset > length ? length : Offset);
        if (IsExact || moments.Count == 0)
            return at;
        var nearest = moments.MinBy(m => Distance(m, at));
        return Distance(nearest, at) <= Hair ? nearest : at;
    }

    private static Fraction Distance(Fraction a, Fraction b) => a > b ? a - b : b - a;
}
