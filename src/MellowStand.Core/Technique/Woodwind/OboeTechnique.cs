namespace MellowStand.Core.Technique.Woodwind;

/// <summary>Oboe and English horn: three F's, two E♭'s, two A♭'s.</summary>
/// <remarks>Regular F when no neighbour needs the right ring finger; left F beside D, E♭, C♯, C, B, B♭ if the instrument has it; else forked. Left or right E♭, so that the right little finger does
/// not slide between C, C♯ and E♭; low B and B♭ are left little finger. Common practice, no published source.</remarks>
public sealed class OboeTechnique(bool leftF) : WoodwindTechnique
{
    private static readonly int[] RingFinger = [2, 3, 1, 0, 11, 10];

    /// <inheritdoc/>
    public override IReadOnlyList<Candidate> Ways(Passage passage, int place)
    {
        var p = passage.Steps[place].Written;
        var neighbours = new[] { Low(passage, place - 1), Low(passage, place + 1) };
        return p.PitchClass switch
        {
            5 when p.Midi < 84 => F(passage, place),
            3 when p.Midi < 84 => EFlat(passage, place, neighbours),
            8 when p.Midi < 84 => AFlat(neighbours),
            _ => Only,
        };
    }

    private List<Candidate> F(Passage passage, int place)
    {
        var beside = passage.IsNear(place, 1, RingFinger);
        var ways = new List<Candidate> { Way("regular", beside ? 2.2 : 0, beside ? "" : "no neighbour needs the right ring finger", true) };
        if (leftF) ways.Add(Way("left", 0.3, "a neighbour needs the right ring finger", false));
        ways.Add(Way("forked", 0.7, "a neighbour needs the right ring finger, and there is no left F", false));
        return ways;
    }

    private static IReadOnlyList<Candidate> EFlat(Passage passage, int place, int?[] low)
    {
        var slides = passage.IsNear(place, 1, 0, 1);
        var leftBusy = low.Any(m => m is 58 or 59);
        return [Way("right", slides ? 1.8 : 0, "", true), Way("left", 0.4 + (leftBusy ? 2.5 : 0), "the right little finger comes from or goes to C or C♯", false)];
    }

    private static IReadOnlyList<Candidate> AFlat(int?[] low)
    {
        var busy = low.Any(m => m is 58 or 59);
        return [Way("left", busy ? 2 : 0, "", true), Way("right", 0.5, "the left little finger has the low B or B♭", false)];
    }

    private static int? Low(Passage passage, int place) => place >= 0 && place < passage.Steps.Count ? passage.Steps[place].Written.Midi : null;
}
