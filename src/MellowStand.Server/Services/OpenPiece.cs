using MellowStand.Core.Decisions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Study.Heat;
using MellowStand.Core.Technique;
using MellowStand.Core.Unify;
using MellowStand.Core.Unify.Bows;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>A piece read and worked through; each station's answer is computed once, when first asked for.</summary>
public sealed class OpenPiece
{
    private readonly Lazy<StudyContext> _study;
    private readonly Lazy<IReadOnlyList<Finding>> _findings;
    private readonly Lazy<IReadOnlyDictionary<string, int>> _ranks;
    private readonly Lazy<IReadOnlyList<HeatCell>> _heat;
    private readonly Lazy<(IReadOnlyList<SharedLine> Lines, IReadOnlyList<Difference> Differences)> _unify;
    private readonly Lazy<(IReadOnlyList<SharedLine> Lines, IReadOnlyList<Difference> Differences)> _currentUnify;
    private readonly Lazy<AlikeDifferences> _alike;
    private readonly Lazy<IReadOnlyList<BowPlan>> _bows;
    private readonly IReadOnlyDictionary<string, int> _versions;
    private readonly IReadOnlyList<ChartCorrection> _corrections;

    /// <summary>Reads a piece with its decisions.</summary>
    public OpenPiece(PieceState state)
    {
        Original = state.Original;
        Decisions = state.Decisions;
        House = state.House;
        _versions = state.Versions;
        Printed = ScoreReader.Read(Original);
        Changes = [.. Decisions.SelectMany(d => d.Changes)];
        Current = Changes.Count == 0 ? Printed : ReadWithChanges();
        Instruments = Printed.Parts.ToDictionary(
            p => p.Id,
            p =>
                state.Instruments.TryGetValue(p.Id, out var chosen) && Catalog.Find(chosen) is { } i
                    ? new Recognized(i, 1, null)
                    : Recognition.Of(p, state.Learned)
        );
        Seats = Seating.Of([.. Printed.Parts.Select(p => (p.Id, Instruments[p.Id].Instrument?.Id, Instruments[p.Id].Desk))], state.Players);
        Leaders = state.Leaders;
        _corrections = state.Corrections;
        _bows = new(() => BowDesk.Plan(Sections, CurrentLines, Study.Tempo.QuarterBpmAt));
        _alike = new(() => new AlikeDifferences(Printed, Differences));
        _study = new(() =>
            new StudyContext(
                Current,
                House,
                p => Instruments.GetValueOrDefault(p.Id)?.Instrument,
                p => Seats.TryGetValue(p.Id, out var seats) ? Seating.Least(seats) : null
            )
        );
        _findings = new(() => StudyDesk.Examine(_study.Value, Current.Parts, 0, int.MaxValue));
        _ranks = new(() =>
            Ranking.Order(_findings.Value).DistinctBy(f => f.Id).Select((f, i) => (f.Id, i + 1)).ToDictionary(x => x.Id, x => x.Item2)
        );
        _heat = new(() => HeatMap.Of(_study.Value, _findings.Value, 1, HandCosts()));
        _unify = new(() => UnifyDesk.Compare(Context(Printed)));
        _currentUnify = new(() => Changes.Count == 0 ? _unify.Value : UnifyDesk.Compare(Context(Current)));
    }

    /// <summary>Leaders of lines that were set.</summary>
    public IReadOnlyDictionary<string, string> Leaders { get; }

    /// <summary>The imported bytes.</summary>
    public byte[] Original { get; }

    /// <summary>The decisions in force, oldest first.</summary>
    public IReadOnlyList<DecisionRow> Decisions { get; }

    /// <summary>What the decisions write, oldest first.</summary>
    public IReadOnlyList<MarkChange> Changes { get; }

    /// <summary>The school's answers.</summary>
    public House House { get; }

    /// <summary>The score as printed.</summary>
    public Score Printed { get; }

    /// <summary>The score with the decisions written in.</summary>
    public Score Current { get; }

    /// <summary>Instrument of each part, recognised or corrected.</summary>
    public IReadOnlyDictionary<string, Recognized> Instruments { get; }

    /// <summary>Who plays each part.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<Seat>> Seats { get; }

    /// <summary>What Study rests on.</summary>
    public StudyContext Study => _study.Value;

    /// <summary>All findings.</summary>
    public IReadOnlyList<Finding> Findings => _findings.Value;

    /// <summary>Places of findings in the order in which a director reads them, id to place from 1.</summary>
    public IReadOnlyDictionary<string, int> Ranks => _ranks.Value;

    /// <summary>Heat of every part × measure.</summary>
    public IReadOnlyList<HeatCell> Heat => _heat.Value;

    /// <summary>Lines that parts share, in the printed score.</summary>
    public IReadOnlyList<SharedLine> Lines => _unify.Value.Lines;

    /// <summary>Differences of the printed score.</summary>
    public IReadOnlyList<Difference> Differences => _unify.Value.Differences;

    /// <summary>Differences that are the same at another place.</summary>
    public AlikeDifferences Alike => _alike.Value;

    /// <summary>Numbers of the later decisions that build on one.</summary>
    public IEnumerable<long> BuildingOn(DecisionRow decision) =>
        Decisions.Where(d => d.Id > decision.Id && Dependence.BuildsOn(d.Changes, decision.Changes)).Select(d => d.Id);

    /// <summary>How often what was decided of a difference has changed.</summary>
    public int VersionOf(string difference) => _versions.GetValueOrDefault(difference);

    /// <summary>What Unify's bows and balance rest on: the score with its decisions.</summary>
    public UnifyContext Sections => Context(Current);

    /// <summary>Lines that parts share, in the score with its decisions.</summary>
    public IReadOnlyList<SharedLine> CurrentLines => _currentUnify.Value.Lines;

    /// <summary>The bowing of the string parts, with the decisions so far as fixed points.</summary>
    public IReadOnlyList<BowPlan> Bows => _bows.Value;

    /// <summary>The state of a difference: <c>accepted</c>, <c>other</c>, <c>kept</c>, <c>agreed</c> or <c>open</c>.</summary>
    public string StateOf(Difference difference) =>
        Decisions.FirstOrDefault(d => d.Difference == difference.Id)?.Verdict switch
        {
            "accepted" => "accepted",
            "reading" => "other",
            "kept" => "kept",
            _ => UnifyDesk.IsSettled(difference, _currentUnify.Value.Differences) ? "agreed" : "open",
        };

    /// <summary>The part with the id.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    public Part Part(string id) =>
        Current.FindPart(id)
        ?? throw Refusal.NotFound(
            $"There is no part \"{id}\" in this piece. Its parts are {string.Join(", ", Current.Parts.Select(p => p.Id))}."
        );

    /// <summary>Places of two measure labels; an empty one is the first or the last.</summary>
    /// <exception cref="Refusal">A label is unknown, or they stand in the wrong order.</exception>
    public (int From, int To) Range(string? from, string? to)
    {
        var first = string.IsNullOrEmpty(from) ? 0 : Place(from);
        var last = string.IsNullOrEmpty(to) ? Current.Measures.Count - 1 : Place(to);
        return first <= last ? (first, last) : throw Refusal.BadRequest($"Measure {from} comes after measure {to}. Exchange them.");
    }

    /// <summary>The printed label of a measure.</summary>
    public string Label(int measure) => Current.Measures[measure].Label;

    /// <summary>What the players of a part have in their hands: what all their instruments have, and the school's chart.</summary>
    public Hands? HandsOf(string part)
    {
        if (Instruments.GetValueOrDefault(part)?.Instrument is not { } instrument)
            return null;
        var seats = Seats.GetValueOrDefault(part) ?? [];
        return new Hands(
            InstrumentOptions.Shared(instrument.Id, seats.Select(s => s.Options)),
            [.. _corrections.Where(c => c.Instrument == instrument.Id)]
        );
    }

    private UnifyContext Context(Score score) => new(score, House, Leaders, p => Instruments.GetValueOrDefault(p.Id)?.Instrument);

    // What Technique says of each measure of each part that has a chart.
    private Func<string, int, double> HandCosts()
    {
        var costs = new Dictionary<(string, int), double>();
        foreach (var part in Current.Parts)
        {
            var plan = TechniqueDesk.Solve(
                Current,
                part,
                0,
                Current.Measures.Count - 1,
                House,
                Instruments.GetValueOrDefault(part.Id)?.Instrument,
                _study.Value.Tempo.QuarterBpmAt,
                HandsOf(part.Id)
            );
            for (var i = 0; i < plan?.Solution.Choices.Count; i++)
            {
                var cell = (part.Id, plan.Passage.Steps[plan.Solution.Choices[i].Place].Note.MeasureIndex);
                costs[cell] = costs.GetValueOrDefault(cell) + plan.Solution.StepCosts[i];
            }
        }

        return (part, measure) => costs.GetValueOrDefault((part, measure));
    }

    private int Place(string label) =>
        Current.FindMeasure(label)
        ?? throw Refusal.NotFound(
            $"There is no measure \"{label}\" in this piece. It goes from {Label(0)} to {Label(Current.Measures.Count - 1)}."
        );

    private Score ReadWithChanges()
    {
        var document = ScoreDocument.Load(Original);
        new DecisionWriter(document).Apply(Changes);
        return ScoreReader.Read(document);
    }
}
