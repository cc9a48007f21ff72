using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Tests.Technique;

/// <summary>Fixed points and corrections keep the engine exact: what is fixed is taken, and no path with it is cheaper.</summary>
public sealed class FixedPointTests
{
    public static TheoryData<string> Instruments_ => [.. TechniqueCatalog.Instruments];

    /// <summary>Some 1,600 random passages with a choice by hand at a random place.</summary>
    [Theory]
    [MemberData(nameof(Instruments_))]
    public void A_choice_by_hand_is_taken_and_the_rest_is_the_cheapest_with_it(string id)
    {
        var instrument = Catalog.Find(id)!;
        var technique = TechniqueCatalog.Of(instrument)!.Technique;
        var random = new Random(id.Length * 31 + 5);
        for (var i = 0; i < 40; i++)
        {
            var passage = SolverTests.RandomPassage(random, instrument, 4, 70 + random.Next(80));
            var place = random.Next(4);
            var ways = technique.Ways(passage, place);
            if (ways.Count == 0)
                continue;
            var code = ways[random.Next(ways.Count)].Code;
            var free = Solver.Solve(technique, passage);
            var solution = Solver.Solve(technique, passage, (at, _) => at == place ? code : null);
            Assert.Equal(code, solution.Choices.Single(c => c.Place == place).Way.Code);
            Assert.Equal(SolverTests.Exhaustive(technique, passage, (at, w) => at != place || w.Code == code), solution.Cost, 0.001);
            // What the list of alternatives promised is what the path then costs.
            var promised = free.Choices.Single(c => c.Place == place).Alternatives.FirstOrDefault(a => a.Code == code);
            if (promised is not null)
                Assert.Equal(promised.Cost, solution.Cost, 0.01);
            else
                Assert.Equal(free.Cost, solution.Cost, 0.001);
        }
    }

    [Theory]
    [InlineData("flute", "thumb")]
    [InlineData("clarinet-bb", "left")]
    [InlineData("alto-sax", "side")]
    [InlineData("bassoon", "thumb")]
    public void A_corrected_chart_is_solved_as_exactly(string id, string code)
    {
        var instrument = Catalog.Find(id)!;
        var random = new Random(id.Length);
        foreach (var standing in ChartCorrection.Standings)
        {
            var corrections = Enumerable
                .Range(instrument.Low.Midi, instrument.High.Midi - instrument.Low.Midi)
                .Select(w => new ChartCorrection(id, w, code, standing, standing is "never" or "avoid" ? [] : ["1"], ""))
                .ToList();
            var technique = TechniqueCatalog.Of(instrument, Hands.Usual(id) with { Corrections = corrections })!.Technique;
            for (var i = 0; i < 20; i++)
            {
                var passage = SolverTests.RandomPassage(random, instrument, 4, 96);
                var solution = Solver.Solve(technique, passage);
                Assert.Equal(SolverTests.Exhaustive(technique, passage), solution.Cost, 0.001);
                if (standing == "usual")
                    Assert.All(
                        solution.Choices.Where(c => technique.Ways(passage, c.Place).Any(w => w.Code == code)),
                        c =>
                            Assert.True(
                                c.Way.Code == code
                                    || solution.Cost
                                        <= Solver.Solve(technique, passage, (at, _) => at == c.Place ? code : null).Cost + 0.001
                            )
                    );
            }
        }
    }

    [Theory]
    [InlineData("never")]
    [InlineData("avoid")]
    public void What_is_never_taken_is_never_taken(string standing)
    {
        var sax = Catalog.Find("alto-sax")!;
        var technique = TechniqueCatalog
            .Of(
                sax,
                Hands.Usual("alto-sax") with
                {
                    Corrections =
                    [
                        new ChartCorrection("alto-sax", 70, "bis", standing, [], ""),
                        new ChartCorrection("alto-sax", 82, "bis", standing, [], ""),
                    ],
                }
            )!
            .Technique;
        var random = new Random(12);
        for (var i = 0; i < 100; i++)
            Assert.DoesNotContain(Solver.Solve(technique, SolverTests.RandomPassage(random, sax, 6, 96)).Choices, c => c.Way.Code == "bis");
    }
}

/// <summary>What is written in: common practice, no published source.</summary>
public sealed class ToldTests
{
    [Theory]
    [InlineData("Violin", "key:D | A4 B4 C#5 D5", "0000")] // first position, nothing to say
    [InlineData("Violin", "key:D | A4h C#5h E5w", "001")] // the fourth finger instead of the open string
    // the place is told where the hand comes to it; a mark that is there already is not told again
    [InlineData("Violoncello", "key:C | A4q(other-technical:A3@T7) B4q C5q D5q", "0100")]
    [InlineData("Trumpet", "key:C | C4 D4 E4 F4", "0000")]
    [InlineData("Alto Saxophone", "key:Bb | F4 Bb4 D5 F5", "0100")]
    public void Only_what_a_player_would_not_take_untold_is_written_in(string instrument, string music, string told)
    {
        var choices = RuleOfThumbTests.Solve(instrument, music).Solution.Choices;
        var said = string.Concat(choices.Select(c => c.Marked ? '1' : '0'));
        Assert.True(told == said, $"{said}: {string.Join(' ', choices.Select(c => c.Way.Code))}");
    }
}
