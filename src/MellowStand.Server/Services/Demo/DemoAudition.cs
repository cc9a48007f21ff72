using MellowStand.Core.Assign;
using MellowStand.Core.Auditions;
using MellowStand.Core.Hear;
using MellowStand.Core.Tempo;
using MellowStand.Server.Security;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>The made-up Valley audition: fifteen instruments, two of them borrowing, two rounds, twenty candidates, half-way
/// heard.</summary>
public sealed class DemoAudition(
    AuditionDesk desk,
    AuditionRepository auditions,
    EnsembleRepository ensemble,
    PassageRepository passages,
    LogRepository log,
    MockRepository mocks,
    AnswerDesk answers,
    PieceDesk pieces,
    TimeProvider clock
)
{
    private const int DaysToFirst = 24;
    private const int DaysToSecond = 52;
    private const long Seed = 417_203;

    private static readonly (string Instrument, int Count)[] Auditioning =
    [
        ("flute", 3),
        ("oboe", 2),
        ("clarinet-bb", 3),
        ("bass-clarinet", 1),
        ("alto-sax", 2),
        ("tenor-sax", 1),
        ("bari-sax", 1),
        ("trumpet-bb", 2),
        ("horn-f", 1),
        ("trombone", 1),
        ("euphonium", 1),
        ("tuba", 1),
        ("violin", 1),
    ];

    private static readonly (string Kind, string From, string To)[] HandedOut =
    [
        ("lyrical", "1", "8"),
        ("lyrical", "9", "16"),
        ("technical", "1", "8"),
    ];

    /// <summary>Fills it in.</summary>
    /// <param name="folder">Where the etudes lie.</param>
    public void Fill(string folder)
    {
        var set = Make(folder);
        Borrow(set, "clarinet-bb", "bass-clarinet");
        Borrow(set, "alto-sax", "bari-sax");
        Ask(set);
        var row = desk.Find(set);
        auditions.Candidates(set, [.. Auditioning.SelectMany(a => Players(a.Instrument, a.Count))], row.Version, clock.GetUtcNow());
        answers.Decide(row, "staccato", "half", null, DemoDirector.DemoName);
        HandOut(desk.Find(set));
        Mock(desk.Find(set));
    }

    private long Make(string folder)
    {
        var files = Directory
            .EnumerateFiles(folder, "etude-*.musicxml")
            .Order(StringComparer.Ordinal)
            .Select(f => desk.Read(Path.GetFileName(f), File.ReadAllBytes(f)))
            .ToList();
        var today = clock.Today();
        return desk.Make(
            "Valley audition",
            [
                new RoundRow(0, "First round", today.AddDays(DaysToFirst), "one-take", true),
                new RoundRow(0, "Second round", today.AddDays(DaysToSecond), "live", true),
            ],
            [.. files.Select(f => new EntryWish(f.Name, f.Guess.Instrument!.Id, f.Guess.Kind))],
            files
        );
    }

    private void Borrow(long set, string lender, string borrower)
    {
        foreach (var entry in desk.Find(set).Entries.Where(e => e.Instrument == lender).ToList())
            desk.Borrow(desk.Find(set), entry.Id, borrower, "written", null);
    }

    // The first round hears the beginning only.
    private void Ask(long set)
    {
        var row = desk.Find(set);
        foreach (var entry in row.Entries)
            auditions.Update(
                entry with
                {
                    Asked =
                    [
                        new AskedRow(row.Rounds[0].Id, "1", entry.Kind == "lyrical" ? "16" : "8"),
                        new AskedRow(row.Rounds[1].Id, "", ""),
                    ],
                    Errata = entry is { Instrument: "horn-f", Kind: "lyrical" } ? "Measure 14: the last note is tongued." : "",
                }
            );
    }

    private IEnumerable<CandidateRow> Players(string instrument, int count) =>
        ensemble
            .Players()
            .Where(p => p.Instrument == instrument)
            .OrderBy(p => p.Chair)
            .Take(count)
            .Select(p => new CandidateRow(0, p.Id, instrument));

    private void HandOut(AuditionRow set)
    {
        var round = set.Rounds[0];
        var made = new List<(long Entry, PassageId Passage)>();
        foreach (var entry in set.Entries)
        {
            var players = set.Candidates.Where(c => c.Instrument == entry.Instrument).Select(c => c.Player).ToList();
            if (players.Count > 0)
                made.AddRange(HandedOut.Where(h => h.Kind == entry.Kind).Select(h => (entry.Id, Passage(entry, h, players, round))));
        }

        auditions.HandOut(round.Id, () => [.. made.Select(m => new HandedRow(m.Entry, round.Id, m.Passage, false))]);
        foreach (var (i, (entry, passage)) in made.Index())
            Hear(set.Entries.First(e => e.Id == entry), passage, i);
    }

    private PassageId Passage(EntryRow entry, (string Kind, string From, string To) part, List<PlayerId> players, RoundRow round)
    {
        var piece = pieces.Open(entry.Piece);
        var place = piece.Book.OfParts([piece.Layer.Current.Parts[0].Id], part.From, part.To);
        var unit = BeatUnit.Quarter;
        var goal = Math.Round(entry.Slowest ?? 80);
        var start = Math.Round(goal * 0.7);
        var (begins, due) = (clock.Today().AddDays(-18), round.Held.AddDays(-3));
        var (first, last) = (new TempoMark(unit, start), new TempoMark(unit, goal));
        var steps = PassagePlan.Of(first, last, LadderBy.Step, 4, begins, due);
        return passages.Add(
            new PassageRow(
                new PassageId(0),
                entry.Piece,
                $"Measures {part.From}–{part.To}",
                place,
                first,
                last,
                "step",
                4,
                begins,
                due,
                "",
                [],
                players,
                [.. steps.Select(s => new StepRow(s.Mark, s.By))]
            )
        );
    }

    // Lyrical etudes were heard four times, technical ones are only begun, and a few were never heard.
    private void Hear(EntryRow entry, PassageId passage, int place)
    {
        var row = passages.Find(passage)!;
        var times = entry.Kind == "lyrical" ? 4 : place % 3;
        foreach (var (i, player) in row.Players.Index())
            for (var k = 0; k < times; k++)
            {
                var share = 0.72 + ((0.05 + (0.02 * ((place + i) % 3))) * k);
                var tempo = row.Goal with { Bpm = Math.Round(row.Goal.Bpm * share) };
                log.Add(new LogRow(0, passage, player, tempo, clock.Today().AddDays(-14 + (4 * k)), ""));
            }
    }

    private void Mock(AuditionRow set)
    {
        var weights = TestCriteria
            .All.Where(c => !c.IsForScales)
            .Select(c => KeyValuePair.Create(c.Name, c.Name is "notes" or "rhythm" ? 2 : 1))
            .ToList();
        var id = mocks.Add(
            new MockRow(
                0,
                set.Rounds[0].Id,
                "Mock audition: First round",
                clock.Today().AddDays(-1),
                Seed,
                true,
                true,
                ["Listener by the window", "Listener in the middle", "Listener by the door"],
                weights,
                DrawnOrder.Of(Seed, set.Candidates.Select(c => c.Id)),
                []
            )
        );
        for (var number = 1; number <= set.Candidates.Count / 2; number++)
            for (var listener = 1; listener <= 3; listener++)
                mocks.Mark(id, new MockGradesRow(number, listener, Marks(weights, number, listener), "", 0));
    }

    // Good and less good, each listener a little otherwise, nothing at random.
    private static Dictionary<string, int> Marks(List<KeyValuePair<string, int>> weights, int number, int listener) =>
        weights
            .Select((w, i) => (w.Key, Mark: 2 + (((number * 5) + (i * i * 3) + (listener * 2)) % 11 / 3) + (number % 3 == 0 ? 1 : 0)))
            .ToDictionary(m => m.Key, m => Math.Clamp(m.Mark, 1, TestCriteria.Best));
}
