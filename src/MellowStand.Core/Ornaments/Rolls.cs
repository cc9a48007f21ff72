using MellowStand.Core.Notation;

namespace MellowStand.Core.Ornaments;

/// <summary>A trill sign that asks for a roll: on a drum, and on timpani, which have no upper note to trill with.</summary>
/// <remarks>Common practice, no published source.</remarks>
public static class Rolls
{
    /// <summary>True where the sign over a note is a roll.</summary>
    public static bool Is(Part part, Note note) => note.Top is null || part.Name.Contains("timp", StringComparison.OrdinalIgnoreCase);
}
