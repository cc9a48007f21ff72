using MellowStand.Core.Assign;
using MellowStand.Server.Services;
using MellowStand.Storage;

namespace MellowStand.Server.Endpoints;

/// <summary>A session of the season's plan.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Day">The day.</param>
/// <param name="Step">The step of the ladder, from 1.</param>
/// <param name="Tempo">Its tempo.</param>
/// <param name="ByHand">True when it was set there by hand.</param>
public sealed record SeasonSessionView(long Id, DateOnly Day, int Step, TempoView Tempo, bool ByHand);

/// <summary>A passage in the season's plan, for players who are equally far.</summary>
/// <param name="Passage">The passage.</param>
/// <param name="Title">Its title.</param>
/// <param name="Piece">Its piece.</param>
/// <param name="PieceTitle">The title of its piece.</param>
/// <param name="From">Label of the first measure.</param>
/// <param name="To">Label of the last measure.</param>
/// <param name="Due">Its date.</param>
/// <param name="Band"><c>usual</c>, <c>behind</c> or <c>ahead</c>.</param>
/// <param name="Players">Numbers of its players.</param>
/// <param name="Sections">Numbers of their sections.</param>
/// <param name="Minutes">Minutes of a session.</param>
/// <param name="Why">What the number of sessions rests on.</param>
/// <param name="Sessions">Its sessions by day.</param>
public sealed record SeasonItemView(
    long Passage,
    string Title,
    long Piece,
    string PieceTitle,
    string From,
    string To,
    DateOnly Due,
    string Band,
    IReadOnlyList<long> Players,
    IReadOnlyList<long> Sections,
    int Minutes,
    string Why,
    IReadOnlyList<SeasonSessionView> Sessions
);

/// <summary>A day of the season.</summary>
/// <param name="Date">The day.</param>
/// <param name="Minutes">Minutes of practice at home.</param>
public sealed record SeasonDayView(DateOnly Date, int Minutes);

/// <summary>A plan of the season.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Made">When it was made.</param>
/// <param name="State"><c>draft</c>, <c>kept</c> or <c>undone</c>.</param>
/// <param name="Proved"><c>optimal</c>, <c>feasible</c> or <c>cannot</c>.</param>
/// <param name="Late">Days that passages come too late, added up.</param>
/// <param name="Peak">Most minutes of a player on a day.</param>
/// <param name="Bound">No plan has less.</param>
/// <param name="Gives">What gives.</param>
/// <param name="Changes">What it changes, in sentences.</param>
/// <param name="Items">What is practiced.</param>
/// <param name="Days">The days from today to its last session.</param>
/// <param name="Moved">Where the log has moved players since, in sentences; none for a draft.</param>
/// <param name="Version">How often it was changed.</param>
public sealed record SeasonPlanView(
    long Id,
    DateTimeOffset Made,
    string State,
    string Proved,
    int Late,
    int Peak,
    int Bound,
    IReadOnlyList<GiveView> Gives,
    IReadOnlyList<string> Changes,
    IReadOnlyList<SeasonItemView> Items,
    IReadOnlyList<SeasonDayView> Days,
    IReadOnlyList<string> Moved,
    int Version
);

/// <summary>Plans of the season as the interface shows them.</summary>
public sealed class SeasonViews(
    PassageRepository passages,
    EnsembleRepository ensemble,
    CalendarDesk calendar,
    SeasonDesk desk,
    TimeProvider clock
)
{
    /// <summary>A plan.</summary>
    public SeasonPlanView Of(SeasonPlanRow plan)
    {
        var handed = passages.All().ToDictionary(p => p.Id);
        var sections = ensemble.Players().ToDictionary(p => p.Id, p => p.SectionId);
        var items = plan.Items.Where(i => handed.ContainsKey(i.Passage)).Select(i => Item(i, handed[i.Passage], sections)).ToList();
        var days = items.SelectMany(i => i.Sessions).Select(s => s.Day).ToList();
        var (first, last) = (days.Append(clock.Today()).Min(), days.Append(clock.Today()).Max());
        return new SeasonPlanView(
            plan.Id,
            plan.Made,
            plan.State,
            plan.Proved,
            plan.Late,
            plan.Peak,
            plan.Bound,
            [.. plan.Gives.Select(g => g.Split(": ", 2)).Select(g => new GiveView(g[0], g[^1]))],
            plan.Changes,
            items,
            [.. calendar.Calendar().Days(first, last).Select(d => new SeasonDayView(d.Date, d.Minutes))],
            plan.State == "kept" ? desk.Moved(plan) : [],
            plan.Version
        );
    }

    private static SeasonItemView Item(SeasonItemRow item, PassageRow passage, Dictionary<PlayerId, SectionId> sections) =>
        new(
            passage.Id.Value,
            passage.Title,
            passage.PieceId,
            passage.PieceTitle,
            passage.Place.From.Label,
            passage.Place.To.Label,
            passage.Due,
            item.Band,
            item.Players.Values(),
            item.Players.Where(sections.ContainsKey).Select(p => sections[p]).Distinct().Values(),
            item.Minutes,
            item.Why,
            [.. item.Sessions.Select(s => Session(s, passage))]
        );

    // The steps may have become fewer since the plan was made.
    private static SeasonSessionView Session(SessionSlot session, PassageRow passage)
    {
        var step = Math.Min(session.Step, passage.Steps.Count - 1);
        var tempo = TempoEndpoints.View(step < 0 ? passage.Goal : passage.Steps[step].Mark);
        return new SeasonSessionView(session.Id, session.Day, step + 1, tempo, session.ByHand);
    }
}
