using System.Globalization;

namespace MellowStand.Server.Endpoints;

/// <summary>The results of a test as a table.</summary>
internal static class TestTable
{
    /// <summary>One line a player, one column a criterion.</summary>
    public static IResult Csv(TestView test) =>
        TableEndpoints.Csv(
            ["Player", "Section", .. test.Criteria.Select(c => $"{c.Words} ({c.Weight})"), "Percent", "Note"],
            test.Players.Select(p => Row(test, p)),
            "Test results.csv"
        );

    private static string[] Row(TestView test, TestedView player) =>
        [
            player.Name,
            player.Section,
            .. test.Criteria.Select(c => player.Marks.TryGetValue(c.Name, out var mark) ? mark.ToString(CultureInfo.InvariantCulture) : ""),
            player.Percent?.ToString(CultureInfo.InvariantCulture) ?? "",
            player.Note,
        ];
}
