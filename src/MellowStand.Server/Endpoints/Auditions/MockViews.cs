using MellowStand.Core.Auditions;
using MellowStand.Core.Hear;
using MellowStand.Server.Services;
using MellowStand.Storage;

namespace MellowStand.Server.Endpoints;

/// <summary>A mock audition to hold.</summary>
/// <param name="Round">The round that it is a trial of.</param>
/// <param name="Title">Its title; made from the round when left out.</param>
/// <param name="Held">The day; today when left out.</param>
/// <param name="Screened">True where listeners see numbers only.</param>
/// <param name="Trimmed">True where the highest and lowest listener do not count.</param>
/// <param name="Listeners">Names of the listeners.</param>
/// <param name="Candidates">Candidates who play; all when left out.</param>
/// <param name="Seed">What the order is drawn from; drawn itself when left out.</param>
/// <param name="Weights">Its criteria; the school's list for passages when left out.</param>
public sealed record MockRequest(
    long Round,
    string? Title,
    DateOnly? Held,
    bool Screened,
    bool Trimmed,
    IReadOnlyList<string>? Listeners,
    IReadOnlyList<long>? Candidates = null,
    long? Seed = null,
    IReadOnlyList<WeightEdit>? Weights = null
);

/// <summary>What a listener gave.</summary>
public sealed record ListenerSheetView(int Listener, IReadOnlyDictionary<string, int> Marks, string Note, double? Percent, int Version);

/// <summary>A number of the drawn order.</summary>
/// <param name="Number">The number that listeners hear.</param>
/// <param name="Name">Name of the candidate; empty where the listeners must not know.</param>
/// <param name="Instrument">The instrument: it is heard anyhow.</param>
/// <param name="Sheets">What was marked.</param>
public sealed record MockSeatView(int Number, string Name, string Instrument, IReadOnlyList<ListenerSheetView> Sheets);

/// <summary>A mock audition, as listeners see it.</summary>
public sealed record MockView(
    long Id,
    long Set,
    long Round,
    string RoundName,
    string Title,
    DateOnly Held,
    long Seed,
    bool Screened,
    bool Trimmed,
    IReadOnlyList<string> Listeners,
    IReadOnlyList<CriterionView> Criteria,
    IReadOnlyList<MockSeatView> Seats
);

/// <summary>A candidate's result.</summary>
/// <param name="Place">Place from 1 within the instrument; shared where a tie is not broken.</param>
/// <param name="Number">Number of the drawn order.</param>
/// <param name="Name">The candidate.</param>
/// <param name="Instrument">The instrument.</param>
/// <param name="Percent">Percent of what could be had.</param>
/// <param name="Heard">Listeners whose marks are complete.</param>
/// <param name="Dropped">Names of listeners whose marks do not count.</param>
/// <param name="Spread">Between the highest and lowest listener, in percent.</param>
/// <param name="Tie">How a tie was broken, or that it was not; empty without one.</param>
/// <param name="Means">Mean mark of each criterion.</param>
/// <param name="Weakest">What to work on, at most three.</param>
public sealed record MockResultView(
    int Place,
    int Number,
    string Name,
    string Instrument,
    double Percent,
    int Heard,
    IReadOnlyList<string> Dropped,
    double Spread,
    string Tie,
    IReadOnlyDictionary<string, double> Means,
    IReadOnlyList<string> Weakest
);

/// <summary>What was lost by criterion, in percent of all that could be had.</summary>
public sealed record LostView(string Criterion, double Percent);

/// <summary>The results of a mock audition.</summary>
/// <param name="Results">By instrument and place.</param>
/// <param name="Lost">What was lost where, the heaviest first.</param>
/// <param name="Waiting">Numbers that no listener has marked in full.</param>
public sealed record MockResultsView(IReadOnlyList<MockResultView> Results, IReadOnlyList<LostView> Lost, IReadOnlyList<int> Waiting);

/// <summary>Mock auditions as the interface shows them.</summary>
public sealed class MockViews(EnsembleRepository ensemble)
{
    /// <summary>As listeners see it: where it is screened, without names.</summary>
    public MockView Of(AuditionRow set, MockRow mock)
    {
        var (weights, players) = (Weights(mock), ensemble.Everyone());
        return new MockView(
            mock.Id,
            set.Id,
            mock.Round,
            set.Rounds.FirstOrDefault(r => r.Id == mock.Round)?.Name ?? "a round taken back",
            mock.Title,
            mock.Held,
            mock.Seed,
            mock.Screened,
            mock.Trimmed,
            mock.Listeners,
            [.. weights.Select(TestViews.Criterion)],
            [.. mock.Order.Select((c, i) => Seat(mock, weights, i + 1, mock.Screened ? "" : NameOf(set, c, players), InstrumentOf(set, c)))]
        );
    }

    /// <summary>The results, with names: for the director.</summary>
    public MockResultsView Results(AuditionRow set, MockRow mock)
    {
        var (weights, players) = (Weights(mock), ensemble.Everyone());
        var way = mock.Trimmed ? PanelWay.Trimmed : PanelWay.Mean;
        var scores = mock
            .Order.Select((c, i) => (Candidate: c, Number: i + 1))
            .ToDictionary(x => x.Candidate, x => (x.Number, Score: Panels.Of(weights, Marks(mock, x.Number), way)));
        var byInstrument = scores.GroupBy(s => InstrumentOf(set, s.Key)).OrderBy(g => g.Key, StringComparer.Ordinal);
        return new MockResultsView(
            [
                .. byInstrument.SelectMany(g =>
                    PanelRanking
                        .Of(weights, g.Select(s => (s.Key, s.Value.Score)))
                        .Select(r => Result(mock, weights, r, scores[r.Candidate].Number, NameOf(set, r.Candidate, players), g.Key))
                ),
            ],
            [
                .. Panels
                    .LostWhere(weights, [.. scores.Values.Select(s => s.Score)])
                    .Select(l => new LostView(TestCriteria.Find(l.Criterion)?.Words ?? l.Criterion, l.Percent)),
            ],
            [.. scores.Values.Where(s => s.Score.Percent is null).Select(s => s.Number)]
        );
    }

    private static MockResultView Result(
        MockRow mock,
        List<TestWeight> weights,
        RankedCandidate ranked,
        int number,
        string name,
        string instrument
    ) =>
        new(
            ranked.Place,
            number,
            name,
            instrument,
            ranked.Score.Percent!.Value,
            ranked.Score.Heard,
            [.. ranked.Score.Dropped.Select(d => mock.Listeners[d - 1])],
            ranked.Score.Spread,
            ranked.Tie,
            ranked.Score.Means,
            [
                .. weights
                    .Where(w => ranked.Score.Means[w.Name] < TestCriteria.Best)
                    .OrderByDescending(w => w.Weight * (TestCriteria.Best - ranked.Score.Means[w.Name]))
                    .Take(3)
                    .Select(w => TestCriteria.Find(w.Name)?.Words ?? w.Name),
            ]
        );

    private static MockSeatView Seat(MockRow mock, List<TestWeight> weights, int number, string name, string instrument) =>
        new(
            number,
            name,
            instrument,
            [
                .. mock
                    .Marks.Where(m => m.Number == number)
                    .Select(m => new ListenerSheetView(m.Listener, m.Marks, m.Note, TestScore.Percent(weights, m.Marks), m.Version)),
            ]
        );

    private static string NameOf(AuditionRow set, long candidate, IReadOnlyDictionary<PlayerId, PlayerRow> players) =>
        set.Candidates.FirstOrDefault(c => c.Id == candidate) is { } row && players.TryGetValue(row.Player, out var player)
            ? player.Name
            : "somebody who auditions no more";

    private static string InstrumentOf(AuditionRow set, long candidate) =>
        set.Candidates.FirstOrDefault(c => c.Id == candidate) is { } row ? AuditionViews.NameOf(row.Instrument) : "";

    private static List<TestWeight> Weights(MockRow mock) => [.. mock.Weights.Select(w => new TestWeight(w.Key, w.Value))];

    private static IEnumerable<ListenerGrades> Marks(MockRow mock, int number) =>
        mock.Marks.Where(m => m.Number == number).Select(m => new ListenerGrades(m.Listener, m.Marks));
}
