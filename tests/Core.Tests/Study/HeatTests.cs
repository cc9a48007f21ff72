using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Study;
using MellowStand.Core.Study.Heat;

namespace MellowStand.Core.Tests.Study;

public sealed class HeatTests
{
    [Fact]
    public void Weights_add_up_to_one() => Assert.Equal(1, typeof(HeatWeights).GetFields().Sum(f => (double)f.GetRawConstantValue()!), 9);

    [SeededProperty]
    public bool A_faster_tempo_never_cools_a_measure(byte slow, byte more)
    {
        var factor = 0.4 + (slow / 255.0);
        var faster = factor + (more / 255.0);
        return Heats(factor).Zip(Heats(faster)).All(p => p.First <= p.Second + 1e-9);
    }

    [Fact]
    public void Each_reason_adds_its_contribution()
    {
        var cells = Cells("tempo:q=120 | C4s E5s F#4s G5s C4s E5s F#4s G5s C4h | C4w | rw", 1);
        Assert.Equal(cells[0].Reasons.Sum(r => r.Contribution), cells[0].Heat, 3);
        Assert.True(cells[0].Heat > cells[1].Heat);
        Assert.Equal(0, cells[2].Heat);
        Assert.Contains(cells[0].Reasons, r => r.Component == "leaps");
        Assert.Contains(cells[0].Reasons, r => r.Component == "accidentals");
    }

    private static IEnumerable<double> Heats(double factor) =>
        Cells("tempo:q=96 | C4e D4e E4s F4s G4s A4s B4q C5q | F#4h C5h | C4q G5q C4q G5q", factor).Select(c => c.Heat);

    private static IReadOnlyList<HeatCell> Cells(string music, double factor)
    {
        var score = ShortFormReader.Score(music);
        var context = new StudyContext(score, House.Default);
        return HeatMap.Of(context, StudyDesk.Examine(context, score.Parts, 0, int.MaxValue), factor).Cells;
    }
}
