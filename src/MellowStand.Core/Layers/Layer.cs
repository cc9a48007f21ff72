using MellowStand.Core.Decisions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Study.Heat;
using MellowStand.Core.Unify;
using MellowStand.Core.Unify.Bows;

namespace MellowStand.Core.Layers;

/// <summary>The decisions in force over an edition, and what every station says of the result. Made anew for each act, cheaply: it takes
/// over from the
/// layer before what the act did not touch. Each answer is worked out once, when first asked for; safe for many readers.</summary>
public sealed class Layer
{
    private readonly WrittenParts _written;
    private readonly bool _sameSounds;
    private readonly Lazy<Examination> _examination;
    private readonly Lazy<StudyContext> _study;
    private readonly Lazy<HandCosts> _hands;
    private readonly Lazy<IReadOnlyList<Finding>> _findings;
    private readonly Lazy<HeatMap> _heat;
    private readonly Lazy<IReadOnlyDictionary<string, int>> _ranks;
    private readonly Lazy<Comparison> _compared;
    private readonly Lazy<IReadOnlyList<BowPlan>> _bows;
    private readonly Lazy<IReadOnlyDictionary<string, Decision>> _settling;

    private Layer(Edition edition, Knowledge knowledge, IReadOnlyList<Decision> decisions, Layer? before)
    {
        (Edition, Knowledge, Decisions) = (edition, knowledge, decisions);
        _written = WrittenParts.Of(edition, decisions, before?._written);
        var sameKnowledge = before is not null && before.Knowledge == knowledge;
        _sameSounds = sameKnowledge && Pitches(decisions).SequenceEqual(Pitches(before!.Decisions));
        // What the layer before has not worked out is not worked out for this one's sake.
        var known = sameKnowledge ? new Before(before!) : null;
        _study = new(() => knowledge.Study(Current, known?.Study));
        _examination = new(() => known?.Examination is { } b ? Examination.After(Study, b, _sameSounds) : Examination.Of(Study));
        _hands = new(() => HandCosts.Of(Current, Study.Tempo, knowledge, known?.Hands));
        _findings = new(() => [.. _examination.Value.Findings, .. _hands.Value.Findings]);
        _heat = new(() =>
            known?.Heat is { } b
                ? HeatMap.After(Study, _examination.Value.Findings, _hands.Value.Of, b, _sameSounds)
                : HeatMap.Of(Study, _examination.Value.Findings, 1, _hands.Value.Of)
        );
        _ranks = new(() =>
            Ranking
                .Order(Study, Findings)
                .Select((f, i) => (f.Id, Place: i + 1))
                .DistinctBy(x => x.Id)
                .ToDictionary(x => x.Id, x => x.Place)
        );
        _compared = new(() => Compare(known?.Compared));
        _bows = new(() => BowDesk.Plan(Sections, CurrentLines, Study.Tempo.QuarterBpmAt));
        _settling = new(() =>
            decisions.Where(d => d.Difference is not null).DistinctBy(d => d.Difference).ToDictionary(d => d.Difference!)
        );
    }

    /// <summary>The edition below.</summary>
    public Edition Edition { get; }

    /// <summary>What is known of the piece.</summary>
    public Knowledge Knowledge { get; }

    /// <summary>The decisions in force, oldest first.</summary>
    public IReadOnlyList<Decision> Decisions { get; }

    /// <summary>What the decisions write, oldest first.</summary>
    public IReadOnlyList<MarkChange> Changes => [.. Decisions.SelectMany(d => d.Changes)];

    /// <summary>The score as printed.</summary>
    public Score Printed => Edition.Printed;

    /// <summary>The score with the decisions written in.</summary>
    public Score Current => _written.Score;

    /// <summary>What Study rests on.</summary>
    public StudyContext Study => _study.Value;

    /// <summary>All findings.</summary>
    public IReadOnlyList<Finding> Findings => _findings.Value;

    /// <summary>Places of findings in the order in which a director reads them, id to place from 1.</summary>
    public IReadOnlyDictionary<string, int> Ranks => _ranks.Value;

    /// <summary>Heat of every part × measure.</summary>
    public IReadOnlyList<HeatCell> Heat => _heat.Value.Cells;

    /// <summary>Lines that parts share, in the printed score.</summary>
    public IReadOnlyList<SharedLine> Lines => Edition.Compared(Knowledge).Lines;

    /// <summary>Differences of the printed score.</summary>
    public IReadOnlyList<Difference> Differences => Edition.Compared(Knowledge).Differences;

    /// <summary>Differences that are the same at another place.</summary>
    public AlikeDifferences Alike => Edition.Alike(Knowledge);

    /// <summary>Lines that parts share, in the score with its decisions.</summary>
    public IReadOnlyList<SharedLine> CurrentLines => _compared.Value.Lines;

    /// <summary>What Unify's bows and balance rest on: the score with its decisions.</summary>
    public UnifyContext Sections => Knowledge.Unify(Current);

    /// <summary>The bowing of the string parts, with the decisions so far as fixed points.</summary>
    public IReadOnlyList<BowPlan> Bows => _bows.Value;

    /// <summary>Lays decisions over an edition.</summary>
    /// <param name="edition">The edition.</param>
    /// <param name="knowledge">What is known of the piece.</param>
    /// <param name="decisions">The decisions in force, oldest first.</param>
    /// <param name="before">The layer before the last act, or null; what it has worked out and still holds is taken over.</param>
    public static Layer Of(Edition edition, Knowledge knowledge, IReadOnlyList<Decision> decisions, Layer? before = null) =>
        new(edition, knowledge, decisions, before is not null && before.Edition.Id == edition.Id ? before : null);

    /// <summary>Writes the parts that decisions touch, to find out whether they can be given back.</summary>
    /// <param name="made">The decisions to try.</param>
    /// <exception cref="ArgumentException">A text holds what XML cannot.</exception>
    public void TryOut(IReadOnlyList<Decision> made) => _written.TryOut(made.SelectMany(d => d.Changes).Select(c => c.Part).Distinct());

    /// <summary>The decision that settles a difference, or null.</summary>
    public Decision? Settling(string difference) => _settling.Value.GetValueOrDefault(difference);

    /// <summary>How far a difference of the printed score is settled.</summary>
    public DifferenceState StateOf(Difference difference) =>
        Settling(difference.Id)?.Verdict switch
        {
            Verdict.Accepted => DifferenceState.Accepted,
            Verdict.Reading => DifferenceState.Other,
            Verdict.Kept => DifferenceState.Kept,
            _ => _compared.Value.HasSettled(difference) ? DifferenceState.Agreed : DifferenceState.Open,
        };

    /// <summary>Numbers of the later decisions that build on one.</summary>
    public IEnumerable<long> BuildingOn(Decision decision) =>
        Decisions.Where(d => d.Id > decision.Id && Dependence.BuildsOn(d.Changes, decision.Changes)).Select(d => d.Id);

    /// <summary>Parts and measures as MusicXML for the engraver, with our note ids.</summary>
    /// <param name="address">What to cut out.</param>
    /// <param name="concert">Transposing parts as they sound.</param>
    public byte[] Slice(Address address, bool concert) => Write(address, new ExportRange(WithNoteIds: true, AtConcertPitch: concert));

    /// <summary>Parts and measures to play from, the rests of a single part condensed.</summary>
    /// <param name="address">What to cut out.</param>
    /// <param name="cues">With cues before entries after long rests.</param>
    /// <param name="reminded">With the level and tempo in force told at the beginning.</param>
    /// <param name="pencil">Signs for the eye only, over the decisions; null for none.</param>
    public byte[] Paper(Address address, bool cues, bool reminded, IReadOnlyList<MarkChange>? pencil = null)
    {
        var range = new ExportRange(WithNoteIds: true, ForPaper: true, Reminded: reminded);
        return cues && address.Parts.Count == 1 && Current.FindPart(address.Parts[0]) is { } part
            ? Write(address, range with { Cues = Cues.Of(Current, part) }, pencil)
            : Write(address, range, pencil);
    }

    private byte[] Write(Address address, ExportRange range, IReadOnlyList<MarkChange>? pencil = null) =>
        ScoreExport.Write(
            pencil is null ? _written.Document : _written.Pencilled(pencil),
            range with
            {
                Parts = address.Parts,
                From = address.From.Index,
                To = address.To.Index,
            }
        );

    // Marks alone leave the lines as they are; a mended pitch may make or break one.
    private Comparison Compare(Comparison? before)
    {
        if (Decisions.All(d => d.Changes.Count == 0))
            return Edition.Compared(Knowledge);
        if (before is not null && _sameSounds)
            return Comparison.After(Sections, before);
        return Pitches(Decisions).Any() ? Comparison.Of(Sections) : Comparison.After(Sections, Edition.Compared(Knowledge));
    }

    private static IEnumerable<long> Pitches(IEnumerable<Decision> decisions) =>
        decisions.Where(d => d.Changes.Any(c => c.Added.Any(m => m.Name is "pitch" or "rhythm"))).Select(d => d.Id);

    // Only answers, never the layer itself: else each layer would hold all before it.
    private sealed class Before(Layer layer)
    {
        public StudyContext? Study { get; } = Made(layer._study);

        public Examination? Examination { get; } = Made(layer._examination);

        public HandCosts? Hands { get; } = Made(layer._hands);

        public HeatMap? Heat { get; } = Made(layer._heat);

        public Comparison? Compared { get; } = Made(layer._compared);

        private static T? Made<T>(Lazy<T> lazy)
            where T : class => lazy.IsValueCreated ? lazy.Value : null;
    }
}
