using System.Text.Json;

namespace MellowStand.Server.Tests;

/// <summary>Whatever day it is, the demo school made on it has its work ahead of it and nothing late: each weekday, the last day of a month
/// and of a year, and a leap day. The browser's tests print the weeks of some of them.</summary>
public sealed class AnyDayTests
{
    [Theory]
    [InlineData("2027-03-02", "a Tuesday")]
    [InlineData("2027-03-03", "a Wednesday")]
    [InlineData("2027-03-04", "a Thursday")]
    [InlineData("2027-03-05", "a Friday")]
    [InlineData("2027-03-06", "a Saturday")]
    [InlineData("2027-03-07", "a Sunday")]
    [InlineData("2027-05-31", "a Monday, the last day of a month")]
    [InlineData("2027-12-31", "the last day of a year")]
    [InlineData("2028-02-29", "a leap day")]
    public async Task The_school_of_any_day_has_its_work_ahead_and_nothing_late(string day, string _)
    {
        using var server = new SchoolServer
        {
            Today = TestDay.Day(day),
            WithSchool = true,
            IsPrepared = false,
        };
        using var client = server.CreateClient();
        Assert.Equal(day, (await client.Json("/api/session")).GetProperty("today").GetString());
        var plan = (await client.Json("/api/season")).GetProperty("plan");
        Assert.Equal(0, plan.GetProperty("late").GetInt32());
        var planned = Days(plan);
        Assert.True(planned.Count > 5, $"sessions on {planned.Count} days");
        // ISO days sort as their texts do.
        Assert.All(planned, d => Assert.True(string.CompareOrdinal(d, day) >= 0, $"{d} is behind {day}"));
    }

    private static List<string> Days(JsonElement plan) =>
        [
            .. plan
                .GetProperty("items")
                .EnumerateArray()
                .SelectMany(i => i.GetProperty("sessions").EnumerateArray())
                .Select(s => s.GetProperty("day").GetString()!)
                .Distinct(),
        ];
}
