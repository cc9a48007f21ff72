namespace MellowStand.Core.Scales;

/// <summary>How a scale is slurred.</summary>
/// <param name="Name">A stable key.</param>
/// <param name="Words">In words.</param>
/// <param name="Size">Notes of a group; 0 for the whole way up and the whole way down.</param>
/// <param name="Slurred">So many of a group are slurred.</param>
public sealed record ScaleSlurring(string Name, string Words, int Size, int Slurred);

/// <summary>All slurrings. A new one is one more row.</summary>
/// <remarks>Common practice, no published source.</remarks>
public static class ScaleSlurs
{
    /// <summary>Every slurring.</summary>
    public static IReadOnlyList<ScaleSlurring> All { get; } =
    [
        new("separate", "every note separate", 1, 1),
        new("slurred", "slurred up, slurred down", 0, 0),
        new("pairs", "slurred by twos", 2, 2),
        new("fours", "slurred by fours", 4, 4),
        new("two-and-two", "two slurred, two separate", 4, 2),
        new("three-and-one", "three slurred, one separate", 4, 3),
    ];

    /// <summary>The slurring with the name, or null.</summary>
    public static ScaleSlurring? Find(string? name) => All.FirstOrDefault(s => s.Name == name);

    /// <summary>First and last places of each slur over a scale; the held last note stands alone unless all is slurred.</summary>
    /// <param name="slurring">The slurring.</param>
    /// <param name="notes">Number of notes, up and down.</param>
    public static IEnumerable<(int From, int To)> Of(ScaleSlurring slurring, int notes)
    {
        var top = notes / 2;
        if (slurring.Size == 0)
            return new[] { (0, top), (top + 1, notes - 1) }.Where(s => s.Item2 > s.Item1);
        return from at in Enumerable.Range(0, notes - 1)
               where at % slurring.Size == 0
               let last = Math.Min(at + slurring.Slurred, notes - 1) - 1
               where last > at
               select (at, last);
    }
}
