using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Study;

/// <summary>The tempo of a measure, for tests of stations that are given it.</summary>
internal sealed class TempoProbe(Score score)
{
    private readonly TempoLine _line = new(score);

    public double QuarterBpmAt(int measure) => _line.QuarterBpmAt(measure);
}
