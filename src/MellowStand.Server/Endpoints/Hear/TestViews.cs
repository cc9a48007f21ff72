using MellowStand.Core.Hear;
using MellowStand.Server.Services;
using MellowStand.Storage;

namespace MellowStand.Server.Endpoints;

/// <summary>Tests as the interface shows them: all who have the passage, and whoever was marked and has left.</summary>
public sealed class TestViews(PassageRepository passages, EnsembleRepository ensemble)
{
    /// <summary>A test with its results.</summary>
    public TestView Of(TestRow test)
    {
        var passage = passages.Find(test.PassageId);
        var weights = test.Weights.Select(w => new TestWeight(w.Key, w.Value)).ToList();
        var (sections, marked) = (ensemble.SectionNames(), test.Marks.ToDictionary(m => m.Player));
        return new TestView(
            test.Id,
            test.PassageId,
            passage?.Title ?? "a passage taken back",
            passage?.PieceId ?? 0,
            passage?.PieceTitle ?? "",
            test.Title,
            new TempoView(test.Unit, test.Bpm),
            test.Held,
            [.. weights.Select(Criterion)],
            [
                .. Players(test, passage)
                    .Select(p => Tested(p, sections.GetValueOrDefault(p.SectionId, ""), weights, marked.GetValueOrDefault(p.Id))),
            ],
            test.Version
        );
    }

    /// <summary>True when a player is heard in a test.</summary>
    public bool Has(TestRow test, long player) => Players(test, passages.Find(test.PassageId)).Any(p => p.Id == player);

    private IEnumerable<PlayerRow> Players(TestRow test, PassageRow? passage)
    {
        var order = ensemble.Sections().ToDictionary(s => s.Id, s => s.Position);
        var marked = test.Marks.Select(m => m.Player).ToHashSet();
        return ensemble
            .Everyone()
            .Values.Where(p => marked.Contains(p.Id) || (p.LeftOn is null && passage is not null && HasIt(passage, p)))
            .OrderBy(p => order.GetValueOrDefault(p.SectionId, int.MaxValue))
            .ThenBy(p => p.Chair);
    }

    private static bool HasIt(PassageRow passage, PlayerRow player) =>
        passage.Players.Contains(player.Id) || passage.Sections.Contains(player.SectionId);

    /// <summary>A weighted criterion.</summary>
    internal static CriterionView Criterion(TestWeight weight)
    {
        var known = TestCriteria.Find(weight.Name);
        return new CriterionView(weight.Name, known?.Words ?? weight.Name, known?.IsForScales ?? false, weight.Weight);
    }

    private static TestedView Tested(PlayerRow player, string section, List<TestWeight> weights, TestMarkRow? row)
    {
        var marks = row?.Marks ?? new Dictionary<string, int>();
        return new TestedView(
            player.Id,
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
