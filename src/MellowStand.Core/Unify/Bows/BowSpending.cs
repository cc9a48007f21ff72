using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;

namespace MellowStand.Core.Unify.Bows;

/// <summary>The bow that a stroke spends.</summary>
/// <param name="Choice">The stroke.</param>
/// <param name="Share">Share of the whole bow that it would take at an even speed.</param>
/// <param name="From">Where it begins: 0 at the frog, 1 at the tip.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Trouble">Null, <c>runs-out</c> or <c>piles-up</c>.</param>
/// <param name="Advice">What to do about it, or empty.</param>
public sealed record BowSpend(BowChoice Choice, double Share, double From, double To, string? Trouble, string Advice);

/// <summary>Where the bow runs out or piles up.</summary>
/// <remarks>Three beats of bow out and one back: save on the long note, stay in the lower half, or come back lighter and quicker. Seconds
/// of a whole bow by level: <see cref="BowLength"/>. Common practice, no published source.</remarks>
public static class BowSpending
{
    private const double Enough = 0.12;
    private const double Crowded = 0.85;

    /// <summary>What each stroke of a plan spends, in order.</summary>
    public static IReadOnlyList<BowSpend> Of(BowPlan plan, House house)
    {
        var spends = new List<BowSpend>();
        var place = 0.0;
        for (var i = 0; i < plan.Choices.Count; i++)
        {
            var choice = plan.Choices[i];
            var down = choice.Direction == BowDirection.Down;
            // In a rest the bow is set anew where the stroke needs it.
            if (i == 0 || choice.Join == BowJoin.Retake || choice.Stroke.FollowsRest)
                place = down ? 0 : Math.Min(1, Math.Max(0.5, Share(choice, house)));
            var share = Share(choice, house);
            var room = down ? 1 - place : place;
            var to = down ? Math.Min(1, place + share) : Math.Max(0, place - share);
            var (trouble, advice) = Judge(spends, choice, share, room);
            spends.Add(new BowSpend(choice, Math.Round(share, 3), Math.Round(place, 3), Math.Round(to, 3), trouble, advice));
            place = to;
        }

        return spends;
    }

    // Three beats out and one back.
    private static bool IsQuickReturn(List<BowSpend> before, BowChoice choice, double share) =>
        before.Count > 0 && before[^1].Choice.Direction != choice.Direction && before[^1].Share > 0.45 && share * 2 < before[^1].Share;

    private static double Share(BowChoice choice, House house) => choice.Stroke.Seconds / BowLength.Seconds(house, choice.Stroke.Level);

    private static (string? Trouble, string Advice) Judge(List<BowSpend> before, BowChoice choice, double share, double room)
    {
        if (share <= room + Enough)
            return (
                null,
                IsQuickReturn(before, choice, share) ? "Long out, short back: a light, quick return, so that the bow is home again." : ""
            );
        if (share > 1 + Enough)
            return ("runs-out", "Longer than a whole bow: save from the first note on, or change inside it.");
        var spent = before.LastOrDefault(s => s.Choice.Direction == choice.Direction && s.Share > Enough);
        var at = choice.Direction == BowDirection.Down ? "tip" : "frog";
        if (spent is not null && before.Count > 0 && before[^1].Share < spent.Share / 2 && room < 1 - Crowded)
            return (
                "piles-up",
                $"The bow is stuck at the {at}: the notes between go back too little. Return lighter and with more bow, or hook."
            );
        return (
            "runs-out",
            $"Only {room:P0} of the bow is left toward the {at}. Save on the long note before it and stay in the "
                + $"{(choice.Direction == BowDirection.Down ? "lower" : "upper")} half."
        );
    }
}
