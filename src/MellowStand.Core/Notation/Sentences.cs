namespace MellowStand.Core.Notation;

/// <summary>Small things of which sentences are made.</summary>
public static class Sentences
{
    /// <summary>A text with its first letter as a capital.</summary>
    /// <param name="text">The text; may be empty.</param>
    public static string Capital(string text) => text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];
}
