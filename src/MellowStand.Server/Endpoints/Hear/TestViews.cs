using MellowStand.Core.Hear;
using MellowStand.Server.Services;
using MellowStand.Storage;

namespace MellowStand.Server.Endpoints;

/// <summary>Tests as the interface shows them: all who have the passage, and whoever was marked and has left.</summary>
public sealed class TestViews(PassageRepository passages, EnsembleRepository ensemble)
{
    /// <summary>A test with its results.</summary>
    public TestView Of(TestRow test) => Of([test])[0];

    /// <summary>Tests with their results.</summary>
    public IReadOnlyList<TestView> Of(IReadOnlyList<TestRow> tests)
    {
        var there = passages.All().ToDictionary(p => p.Id);
        var (people, names) = (InOrder(), ensemble.SectionNames());
        return [.. tests.Select(t => Of(t, there.GetValueOrDefault(t.Passage), people, names))];
    }

    /// <summary>True when a player is heard in a test.</summary>
    public bool Has(TestRow test, PlayerId player) =>
        ensemble.Everyone().GetValueOrDefault(player) is { } row && IsHeard(test, passages.Find(test.Passage), row);

    private static TestView Of(
        TestRow test,
        PassageRow? passage,
        List<PlayerRow> people,
        IReadOnlyDictionary<SectionId, string> sections
    )
    {
        var weights = test.Weights.Select(w => new TestWeight(w.Key, w.Value)).ToList();
        var marked = test.Marks.ToDictionary(m => m.Player);
        return new TestView(
            test.Id,
            test.Passage.Value,
            passage?.Title ?? "a passage taken back",
            passage?.PieceId ?? 0,
            passage?.PieceTitle ?? "",
            test.Title,
            TempoEndpoints.View(test.Tempo),
            test.Held,
            [.. weights.Select(Criterion)],
            [
                .. people
                    .Where(p => IsHeard(test, passage, p))
                    .Select(p => Tested(p, sections.GetValueOrDefault(p.SectionId, ""), weights, marked.GetValueOrDefault(p.Id))),
            ],
            test.Version
        );
    }

    // Sections that were closed come last.
    private List<PlayerRow> InOrder()
    {
        var order = ensemble.Sections().ToDictionary(s => s.Id, s => s.Position);
        return
        [
            .. ensemble.Everyone().Values.OrderBy(p => order.GetValueOrDefault(p.SectionId, int.MaxValue)).ThenBy(p => p.Chair),
        ];
    }

    // Whoever was marked stays in it, though they have left.
    private static bool IsHeard(TestRow test, PassageRow? passage, PlayerRow player) =>
        test.Marks.Any(m => m.Player == player.Id) || (player.LeftOn is null && passage?.IsFor(player) == true);

    /// <summary>A weighted criterion.</summary>
    internal static CriterionView Criterion(TestWeight weight)
    {
        var known = TestCriteria.Find(weight.Name);
        return new CriterionView(weight.Name, known?.Words ?? weight.Name, known?.IsForScales ?? false, weight.Weight);
    }

    private static TestedView Tested(PlayerRow player, string section, List<TestWeight> weights, TestGradesRow? row)
    {
        var marks = row?.Marks ?? new Dictionary<string, int>();
        return new TestedView(
            player.Id.Value,
            player.Name,
            section,
            marks,
            TestScore.Percent(weights, marks),
            [.. TestScore.Weakest(weights, marks).Select(w => TestCriteria.Find(w)?.Words ?? w)],
            row?.Note ?? "",
            row?.Version ?? 0
        );
    }
}
