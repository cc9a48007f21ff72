using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Technique;
using MellowStand.Core.Technique.Trills;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Layers;

/// <summary>What a school has said of itself.</summary>
/// <param name="House">Its answers to the house rules.</param>
/// <param name="Learned">Instruments that were corrected once: printed name and transposition to instrument id.</param>
/// <param name="Players">Its players.</param>
/// <param name="Corrections">Its corrections of fingering charts.</param>
public sealed record School(
    House House,
    IReadOnlyDictionary<string, string> Learned,
    IReadOnlyList<Seat> Players,
    IReadOnlyList<ChartCorrection> Corrections
)
{
    /// <summary>A school that has said nothing.</summary>
    public static School None { get; } = new(House.Default, new Dictionary<string, string>(), [], []);
}

/// <summary>What is known of one piece besides its file and the decisions: instruments, players, leaders, house rules. Made once; safe for
/// many readers.</summary>
public sealed class Knowledge
{
    private readonly School _school;
    private readonly IReadOnlyDictionary<string, string> _chosen;
    private readonly IReadOnlyDictionary<string, IReadOnlyList<long>> _seated;

    /// <summary>Brings together what a school and a director said.</summary>
    /// <param name="printed">The score.</param>
    /// <param name="school">The school.</param>
    /// <param name="chosen">Instruments that the director chose: part id to instrument id.</param>
    /// <param name="leaders">Leaders that the director set: the parts of a line to the part that leads it.</param>
    /// <param name="seated">Players that the director seated: part id to their numbers; null for none.</param>
    public Knowledge(
        Score printed,
        School school,
        IReadOnlyDictionary<string, string> chosen,
        IReadOnlyDictionary<string, string> leaders,
        IReadOnlyDictionary<string, IReadOnlyList<long>>? seated = null
    )
    {
        (_school, _chosen, Leaders) = (school, chosen, leaders);
        _seated = seated ?? new Dictionary<string, IReadOnlyList<long>>();
        Instruments = printed.Parts.ToDictionary(p => p.Id, p => Recognized(p, school, chosen));
        Seats = Seating.Of(
            [.. printed.Parts.Select(p => (p.Id, Instruments[p.Id].Instrument?.Id, Instruments[p.Id].Desk))],
            school.Players,
            _seated
        );
    }

    /// <summary>The school's answers.</summary>
    public House House => _school.House;

    /// <summary>Instrument of each part, recognised or chosen.</summary>
    public IReadOnlyDictionary<string, Recognized> Instruments { get; }

    /// <summary>Who plays each part.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<Seat>> Seats { get; }

    /// <summary>Leaders of lines that were set.</summary>
    public IReadOnlyDictionary<string, string> Leaders { get; }

    /// <summary>True when a director chose just these instruments, leaders and players.</summary>
    public bool IsOf(
        IReadOnlyDictionary<string, string> chosen,
        IReadOnlyDictionary<string, string> leaders,
        IReadOnlyDictionary<string, IReadOnlyList<long>> seated
    ) =>
        Same(_chosen, chosen)
        && Same(Leaders, leaders)
        && _seated.Count == seated.Count
        && _seated.All(s => seated.TryGetValue(s.Key, out var players) && players.SequenceEqual(s.Value));

    /// <summary>True where the director said who plays a part.</summary>
    public bool IsSeatedByHand(string part) => _seated.ContainsKey(part);

    /// <summary>The instrument of a part, or null.</summary>
    public Instrument? InstrumentOf(string part) => Instruments.GetValueOrDefault(part)?.Instrument;

    /// <summary>What the players of a part have in their hands: what all their instruments have, and the school's chart.</summary>
    public Hands? HandsOf(string part)
    {
        if (InstrumentOf(part) is not { } instrument)
            return null;
        var seats = Seats.GetValueOrDefault(part) ?? [];
        return new Hands(
            InstrumentOptions.Shared(instrument.Id, seats.Select(s => s.Options)),
            [.. _school.Corrections.Where(c => c.Instrument == instrument.Id)]
        )
        {
            Level = Seating.Least(seats) ?? House["range-level"],
        };
    }

    /// <summary>What Unify rests on, for a score of this piece.</summary>
    public UnifyContext Unify(Score score) => new(score, House, Leaders, p => InstrumentOf(p.Id));

    /// <summary>What Study rests on, for a score of this piece.</summary>
    internal StudyContext Study(Score score, StudyContext? before) =>
        new(score, House, p => InstrumentOf(p.Id), LevelOf, before, PlayersOf, TrillFingers);

    private string? TrillFingers(Part part, Note note, Pitch upper) =>
        TrillAdvice.Of(InstrumentOf(part.Id), HandsOf(part.Id), House, part, note, upper)?.Sentence;

    // A whole section could sit at a part: only what a director set says how many do.
    private int PlayersOf(Part part) => IsSeatedByHand(part.Id) ? Seats.GetValueOrDefault(part.Id)?.Count ?? 0 : 0;

    private string? LevelOf(Part part) => Seats.TryGetValue(part.Id, out var seats) ? Seating.Least(seats) : null;

    private static Recognized Recognized(Part part, School school, IReadOnlyDictionary<string, string> chosen) =>
        chosen.TryGetValue(part.Id, out var id) && Catalog.Find(id) is { } instrument
            ? new Recognized(instrument, 1, null)
            : Recognition.Of(part, school.Learned);

    private static bool Same(IReadOnlyDictionary<string, string> a, IReadOnlyDictionary<string, string> b) =>
        a.Count == b.Count && a.All(x => b.TryGetValue(x.Key, out var value) && value == x.Value);
}
