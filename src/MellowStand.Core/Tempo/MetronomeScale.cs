namespace MellowStand.Core.Tempo;

/// <summary>The traditional metronome scale.</summary>
/// <remarks>By 2 from 40 to 60, by 3 to 72, by 4 to 120, by 6 to 144, by 8 to 208: the marks engraved on pendulum
/// metronomes; from memory.</remarks>
public static class MetronomeScale
{
    /// <summary>All marks in beats per minute, slowest first.</summary>
    public static IReadOnlyList<int> Marks { get; } = Build();

    private static List<int> Build()
    {
        var marks = new List<int> { 40 };
        foreach (var (to, by) in new[] { (60, 2), (72, 3), (120, 4), (144, 6), (208, 8) })
            while (marks[^1] < to)
                marks.Add(marks[^1] + by);
        return marks;
    }
}
