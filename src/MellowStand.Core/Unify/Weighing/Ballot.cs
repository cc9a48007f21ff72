using MellowStand.Core.Instruments;

namespace MellowStand.Core.Unify;

/// <summary>Weighs the readings of a line against each other: which of them the composer most likely meant, and how sure that is.</summary>
/// <remarks>Each reading is tried as the one that was meant; the chance of what every part prints is multiplied (<see cref="SlipRates"/>),
/// and other reasons are added. A split that may be meant, such as two voices of the composition or two families, stands against all of
/// them. A leader that the director has set decides alone. Our own method: naive Bayes, any textbook of statistics.</remarks>
/// <param name="context">What the rules share.</param>
/// <param name="kind">The kind of difference.</param>
/// <param name="readings">What each part has.</param>
/// <param name="voters">Those that vote; null for all.</param>
internal sealed class Ballot(UnifyContext context, string kind, IReadOnlyList<Reading> readings, IReadOnlyList<Reading>? voters = null)
{
    private const double SureFrom = 0.88;
    private const double LikelyFrom = 0.6;

    // A part of an instrument that has voted already is copied from the same page.
    private const double SameInstrument = 0.8;
    private const double Leads = 0.4;

    private const double OneIsMeant = 0.002;
    // A wrong sign against two right ones of one line is a clash that nobody writes.
    private const double ClashIsMeant = 0.0002;
    private const double SomeAreMeant = 0.008;
    private const double FamiliesAreMeant = 0.04;

    private readonly List<Reason> _reasons = [];

    private IReadOnlyList<Reading> Voters => voters ?? readings;

    /// <summary>Adds reasons.</summary>
    public Ballot With(IEnumerable<Reason> reasons)
    {
        _reasons.AddRange(reasons);
        return this;
    }

    /// <summary>The reading that wins.</summary>
    public Proposal Decide()
    {
        if (context.SetLeaderOf(readings) is { } set)
            return Make(
                readings.First(r => r.Part == set).Has,
                "leader",
                $"{context.NameOf(set)} was set to lead this line.",
                Sureness.Sure
            );
        var scores = Candidates.ToDictionary(c => c, Score);
        var best = scores.OrderByDescending(s => s.Value).ThenBy(s => Array.IndexOf([.. Candidates], s.Key)).First().Key;
        var meant = Math.Log(MeantFirst) + _reasons.Where(r => r.For is null).Sum(r => r.Weight);
        var share = 1 / scores.Values.Append(meant).Sum(s => Math.Exp(s - scores[best]));
        var (rule, why) = Explain(best, scores);
        return Make(best, rule, share < LikelyFrom ? $"{why} {Doubt(meant, scores[best])}" : why, SurenessOf(share));
    }

    private List<string> Candidates => [.. Voters.Select(r => r.Has).Distinct()];

    private static Sureness SurenessOf(double share) =>
        share switch
        {
            >= SureFrom => Sureness.Sure,
            >= LikelyFrom => Sureness.Likely,
            _ => Sureness.Yours,
        };

    private double Score(string candidate)
    {
        var rates = SlipRates.Of(kind, Voters[0].Notes.Count);
        var print = Voters
            .GroupBy(r => (Instrument: InstrumentOf(r), r.Has))
            .Sum(g => (1 + ((g.Count() - 1) * SameInstrument)) * Math.Log(rates.Chance(g.Key.Has, candidate)));
        var leader = candidate.Length > 0 && LeaderReading == candidate ? Leads : 0;
        return print + leader + Others(candidate).Sum(r => r.Weight);
    }

    private IEnumerable<Reason> Others(string candidate) => _reasons.Where(r => r.For == candidate);

    private string LeaderReading => Voters.First(r => r.Part == context.LeaderOf(Voters)).Has;

    private string InstrumentOf(Reading r) =>
        context.Score.FindPart(r.Part) is { } part && context.InstrumentOf(part) is { } i ? i.Name : r.Part;

    // How likely it is that the parts differ on purpose, before any reason is heard.
    private double MeantFirst
    {
        get
        {
            if (kind is "pitch" or "rhythm")
                return kind == "pitch" && IsOneAgainstMore() ? ClashIsMeant : OneIsMeant / 2;
            if (FollowsFamilies())
                return FamiliesAreMeant;
            return Voters.Count - Voters.GroupBy(r => r.Has).Max(g => g.Count()) > 1 ? SomeAreMeant : OneIsMeant;
        }
    }

    // Another letter may be a note of the chord that one part takes; another sign on the same letter is not.
    private bool IsOneAgainstMore() =>
        Voters.Count > 2
        && Voters.GroupBy(r => r.Has).Max(g => g.Count()) == Voters.Count - 1
        && Voters.All(r => r.Has.FirstOrDefault() == Voters[0].Has.FirstOrDefault());

    // Bows against breath, or struck against blown: each wholly on one side.
    private bool FollowsFamilies()
    {
        var byWay = Voters.GroupBy(r => Way(r.Part)).Select(g => g.Select(r => r.Has).Distinct().ToList()).ToList();
        return byWay.Count > 1 && byWay.All(h => h.Count == 1);
    }

    private Sustain Way(string part) => context.Score.FindPart(part) is { } p ? context.SustainOf(p) : Sustain.Breath;

    private (string Rule, string Why) Explain(string best, Dictionary<string, double> scores)
    {
        var count = Voters.Count(r => r.Has == best);
        var most = Voters.GroupBy(r => r.Has).Max(g => g.Count());
        var strongest = Others(best).OrderByDescending(r => r.Weight).FirstOrDefault();
        var isMost = count == most && Voters.GroupBy(r => r.Has).Count(g => g.Count() == most) == 1;
        var print = BallotWords.OfPrint(context, Voters, best);
        if (isMost && count > 1)
            return (Presents(best, count) ? "present" : "most", strongest is null ? print : $"{print} {strongest.Words}");
        if (strongest is not null && (!Presents(best, count) || strongest.Weight > Leads))
            return (strongest.Rule, Presents(best, count) ? $"{print} {strongest.Words}" : strongest.Words);
        if (Presents(best, count) || best.Length == 0)
            return (best.Length == 0 ? "most" : "present", print);
        return LeaderReading == best
            ? ("leader", $"{context.NameOf(context.LeaderOf(Voters))} leads the line, and its reading decides.")
            : ("most", print);
    }

    // One thing is printed, and the others print nothing.
    private bool Presents(string best, int count) =>
        best.Length > 0 && count < Voters.Count && Voters.All(r => r.Has.Length == 0 || r.Has == best);

    private string Doubt(double meant, double best)
    {
        if (meant > best)
            return FollowsFamilies()
                ? "But it may be meant: the families write it differently."
                : "But it may be meant: too many parts share each reading for a slip.";
        return "But the print does not tell: listen and decide.";
    }

    private Proposal Make(string wins, string rule, string why, Sureness sure) =>
        new(wins, [.. readings.Where(r => r.Has != wins).Select(r => r.Part)], why, rule, sure);
}
