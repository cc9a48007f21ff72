using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Core.Practice;

/// <summary>How well a way to practice fits a passage.</summary>
/// <param name="Weight">0 to 1: the trouble it cures.</param>
/// <param name="Words">What in the passage it answers.</param>
public sealed record Suit(double Weight, string Words);

/// <summary>What a recipe leaves as it is.</summary>
[Flags]
public enum Keeps
{
    /// <summary>Nothing.</summary>
    Nothing = 0,

    /// <summary>The pitches of the struck main notes, in their order.</summary>
    Pitches = 1,

    /// <summary>The length of every measure.</summary>
    Length = 2,
}

/// <summary>A way to practice a passage: music in, music out.</summary>
public interface IRecipe
{
    /// <summary>The name of the HTTP interface.</summary>
    string Name { get; }

    /// <summary>A few words.</summary>
    string Title { get; }

    /// <summary>What it is for and why, as a director would say.</summary>
    string Why { get; }

    /// <summary>What it leaves as it is.</summary>
    Keeps Keeps { get; }

    /// <summary>How well it fits, or null where it makes no sense.</summary>
    Suit? Suits(Passage passage);

    /// <summary>The music, one part or two; asked for only where it suits.</summary>
    IReadOnlyList<PlainPart> Make(Passage passage);
}
