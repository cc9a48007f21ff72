using MellowStand.Core.Assign;
using MellowStand.Core.Decisions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Tempo;
using MellowStand.Server.Security;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>Fills an empty database with the made-up school, six weeks before its concert and half-way prepared.</summary>
public sealed class DemoSchool(
    PieceRepository pieces,
    Decide decide,
    PieceImport import,
    EnsembleRepository ensemble,
    PassageRepository passages,
    LogRepository heardLog,
    HouseRepository house,
    QuietRepository quiets,
    PieceDesk desk,
    DemoSeason season,
    DemoAudition audition,
    TimeProvider clock,
    ILogger<DemoSchool> log
)
{
    private const int DaysToConcert = 42;

    private readonly Dictionary<string, SectionId> _sections = [];
    private readonly Dictionary<string, PlayerId> _players = [];

    /// <summary>Loads the demo where the shelf and the ensemble are empty.</summary>
    public void Fill()
    {
        if (pieces.All().Count > 0 || ensemble.Sections().Count > 0)
            return;
        var today = clock.Today();
        FillEnsemble();
        var band = Import("harbor-lanterns", "piece", null, today.AddDays(DaysToConcert));
        var ferry = Import("the-slow-ferry", "piece", null, today.AddDays(DaysToConcert + 14));
        house.Choose("counting-words", "1e&a", null);
        Settle(band, 7);
        Settle(ferry, 2);
        HandOut(band, ferry, today);
        Review(band);
        Remark(band);
        season.Fill(today.AddDays(DaysToConcert));
        audition.Fill(Folder);
        log.LogInformation("The demo school is on the shelf: {Pieces} pieces, {Players} players", pieces.All().Count, _players.Count);
    }

    private static string Folder => Path.Combine(AppContext.BaseDirectory, "demo", "scores");

    private long Import(string file, string kind, string? set, DateOnly due) =>
        import.Keep(
            new ImportWish(file + ".musicxml", kind, set, due, []),
            File.ReadAllBytes(Path.Combine(Folder, file + ".musicxml")),
            null
        );

    private void FillEnsemble()
    {
        foreach (var (section, instrument, names) in DemoPeople.Sections)
        {
            _sections[section] = ensemble.AddSection(section);
            var chair = 1;
            foreach (var entry in names)
            {
                var (name, own) = entry.Split(':') is [var n, var other] ? (n, other) : (entry, instrument);
                _players[name] = ensemble.AddPlayer(_sections[section], name, own, chair++, "comfortable");
            }
        }
    }

    // The first differences are settled as proposed, one is kept on purpose: the desk of a director half-way through.
    private void Settle(long piece, int count)
    {
        var marks = desk.Open(piece)
            .Layer.Differences.Where(d => d is { Kind: "articulation" or "slur", IsNote: false, Proposal.Parts.Count: > 0 })
            .Take(count + 1)
            .ToList();
        foreach (var d in marks.Take(count))
            Make(piece, new DecisionDraft(d.Id, Verdict.Accepted, d.Proposal.Mark, d.Proposal.Why, d.Changes[d.Proposal.Mark]));
        if (marks.Count > count)
            Make(piece, new DecisionDraft(marks[count].Id, Verdict.Kept, null, "The section leader plays it this way on purpose.", []));
    }

    // What is often missed and how the parts are written is reviewed, but for the last few.
    private void Review(long piece)
    {
        const int Waiting = 3;
        var open = desk.Open(piece);
        var found = open
            .Layer.Findings.Where(f => f.Severity > Severity.Note || f.Rule is "signature" or "tempo-words" or "pickup" or "form")
            .OrderBy(f => f.Severity > Severity.Note ? f.From : -1)
            .ToList();
        quiets.Review(
            piece,
            [
                .. found
                    .SkipLast(Waiting)
                    .Select(f => new ReviewedFinding(f.Id, f.Title, f.Key, open.Book.At(f.Parts, f.From, f.To), ReviewStates.Sent)),
            ],
            clock.GetUtcNow()
        );
    }

    private void Remark(long piece)
    {
        var at = new BeatPlace(desk.Open(piece).Book.OfParts(["P3"], "21", null).From.Index, null);
        var made = FreeMarks.Of(
            desk.Open(piece).Layer.Current,
            ["P3", "P4"],
            at,
            at,
            [new Mark("remark", "Listen to the low reeds here: they have the beat.")],
            []
        );
        Make(piece, new DecisionDraft(null, Verdict.Free, null, "said in rehearsal", made.Changes));
    }

    private void Make(long piece, DecisionDraft draft) => decide.Make(piece, DemoDirector.DemoName, _ => [draft]);

    private void HandOut(long band, long ferry, DateOnly today)
    {
        var unison = Add(
            band,
            "Tune in unison, D to E",
            ["P1", "P2", "P3"],
            "32",
            "38",
            66,
            104,
            today,
            21,
            14,
            ["Flutes", "Oboes", "Clarinets"]
        );
        var hidden = Add(
            band,
            "Letter C in five flats",
            ["P3", "P6", "P9"],
            "21",
            "28",
            60,
            96,
            today,
            14,
            21,
            ["Clarinets", "Saxophones", "Trumpets"]
        );
        var low = Add(band, "Low voices together", ["P5", "P8", "P14"], "32", "38", 60, 104, today, 10, 28, ["Low brass"]);
        var quick = Add(
            ferry,
            "Più mosso, bow strokes",
            ["P1", "P2", "P3", "P4"],
            "25",
            "32",
            72,
            112,
            today,
            7,
            35,
            ["Violins", "Violas", "Cellos"]
        );
        LogDemo(unison, today, 66, 7, "Flutes", "Oboes", "Clarinets");
        LogDemo(hidden, today, 60, 6, "Clarinets", "Saxophones");
        LogDemo(low, today, 60, 5.5, "Low brass");
        LogDemo(quick, today, 72, 9, "Violins");
    }

    private PassageId Add(
        long piece,
        string title,
        string[] parts,
        string from,
        string to,
        double start,
        double goal,
        DateOnly today,
        int begunDaysAgo,
        int dueInDays,
        string[] sections
    )
    {
        var quarter = BeatUnit.Quarter;
        var begins = today.AddDays(-begunDaysAgo);
        var due = today.AddDays(dueInDays);
        var (first, last) = (new TempoMark(quarter, start), new TempoMark(quarter, goal));
        var steps = PassagePlan.Of(first, last, LadderBy.Step, 6, begins, due);
        var place = desk.Open(piece).Book.OfParts(parts, from, to);
        return passages.Add(
            new PassageRow(
                new PassageId(0),
                piece,
                title,
                place,
                first,
                last,
                "step",
                6,
                begins,
                due,
                "Count the first measure aloud, then play.",
                [.. sections.Select(s => _sections[s])],
                [],
                [.. steps.Select(s => new StepRow(s.Mark, s.By))]
            )
        );
    }

    // Each player climbs at a pace of their own; some were heard only twice.
    private void LogDemo(PassageId passage, DateOnly today, double start, double perWeek, params string[] sections)
    {
        var n = 0;
        foreach (var player in ensemble.Players().Where(p => sections.Any(s => _sections[s] == p.SectionId)))
        {
            var pace = perWeek + (((n % 5) - 2) * perWeek * 0.35);
            var times = n % 4 == 3 ? 2 : 4;
            var remarks = DemoPeople.RemarksFor(Catalog.Find(player.Instrument)?.Family ?? Family.Unknown);
            for (var k = 0; k < times; k++)
            {
                var weeksAgo = times - k;
                var bpm = start + (pace * (4 - weeksAgo)) + ((n + k) % 3);
                heardLog.Add(
                    new LogRow(
                        0,
                        passage,
                        player.Id,
                        new TempoMark(BeatUnit.Quarter, Math.Round(bpm)),
                        today.AddDays(-5 * weeksAgo),
                        k == times - 1 ? remarks[n % remarks.Count] : ""
                    )
                );
            }

            n++;
        }
    }
}
