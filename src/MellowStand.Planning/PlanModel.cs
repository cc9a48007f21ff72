using Google.OrTools.Sat;
using Google.OrTools.Util;
using MellowStand.Core.Assign;

namespace MellowStand.Planning;

/// <summary>What may give in a plan; each is 0 where nothing gives.</summary>
/// <param name="Passages">True where passages may be left out.</param>
/// <param name="Sessions">True where sessions may be left out.</param>
/// <param name="Minutes">Minutes that every day may have more.</param>
/// <param name="MayBeLate">False where nothing may come after its date.</param>
internal sealed record PlanFreedom(bool Passages = false, bool Sessions = false, int Minutes = 0, bool MayBeLate = true);

/// <summary>A plan as the solver sees it: one yes or no for each passage and day.</summary>
/// <remarks>Constraint programming with SAT (Google OR-Tools, CP-SAT). A day holds at most one session of a passage; so does every window
/// of its gap; no group has more minutes than its day.</remarks>
internal sealed class PlanModel
{
    // More than the minutes of any passage.
    private const int OnePassage = 100_000;

    private readonly PlanProblem _problem;
    private readonly PlanFreedom _freedom;
    private readonly CpModel _model = new();
    private readonly BoolVar?[][] _on;
    private readonly BoolVar[] _kept;
    private readonly IntVar _extra;
    private readonly IReadOnlyList<PlanGroup> _groups;

    public PlanModel(PlanProblem problem, PlanFreedom? freedom = null)
    {
        (_problem, _freedom) = (problem, freedom ?? new PlanFreedom());
        _groups = PlanGroups.Of(problem);
        _extra = _model.NewIntVar(0, _freedom.Minutes, "extra");
        _on = [.. problem.Passages.Select((p, i) => Days(p, i))];
        _kept = [.. problem.Passages.Select((_, i) => _freedom.Passages ? _model.NewBoolVar($"kept {i}") : One())];
        Late = _model.NewIntVar(0, _freedom.MayBeLate ? MostLate() : 0, "late");
        Peak = _model.NewIntVarFromDomain(
            Domain.FromValues([.. PeakBound.Sums(problem, _groups, MostMinutes() + _freedom.Minutes)]),
            "peak"
        );
        for (var i = 0; i < problem.Passages.Count; i++)
            Practiced(i);
        if (_freedom.MayBeLate)
            CountLate();
        foreach (var group in _groups)
            Hold(group);
    }

    /// <summary>The solver's model.</summary>
    public CpModel Model => _model;

    /// <summary>Days that last sessions come after their dates, added up.</summary>
    public IntVar Late { get; }

    /// <summary>Most minutes of one player on one day.</summary>
    public IntVar Peak { get; }

    /// <summary>Minutes that every day has more.</summary>
    public IntVar Extra => _extra;

    /// <summary>Sessions in all.</summary>
    public LinearExpr Sessions => LinearExpr.Sum(All());

    /// <summary>The passages that are kept: first how many, then their minutes.</summary>
    public LinearExpr Kept => LinearExpr.WeightedSum(_kept, _problem.Passages.Select(p => (long)((p.Minutes * p.Sessions) + OnePassage)));

    /// <summary>Sessions of the passages that the rule wants first, early.</summary>
    public LinearExpr InOrder()
    {
        var order = _problem.InOrder.Select((p, rank) => (p.Id, Rank: rank)).ToDictionary(x => x.Id, x => x.Rank);
        var terms = new List<LinearExpr>();
        for (var i = 0; i < _on.Length; i++)
        {
            var weight = _on.Length - order[_problem.Passages[i].Id];
            for (var d = 0; d < _on[i].Length; d++)
                if (_on[i][d] is { } on)
                    terms.Add(on * (weight * d));
        }

        return LinearExpr.Sum(terms);
    }

    /// <summary>Begins the search at a plan.</summary>
    public void Hint(IReadOnlyCollection<PlannedSession> sessions)
    {
        _model.ClearHints();
        var there = sessions.Select(s => (s.Passage, s.Day)).ToHashSet();
        Each((i, d, on) => _model.AddHint(on, there.Contains((_problem.Passages[i].Id, _problem.Days[d].Date)) ? 1 : 0));
    }

    /// <summary>The sessions that a solver found.</summary>
    public IReadOnlyList<PlannedSession> Read(CpSolver solver)
    {
        var sessions = new List<PlannedSession>();
        for (var i = 0; i < _on.Length; i++)
        {
            var number = 0;
            for (var d = 0; d < _on[i].Length; d++)
                if (_on[i][d] is { } on && solver.BooleanValue(on))
                    sessions.Add(new PlannedSession(_problem.Passages[i].Id, ++number, _problem.Days[d].Date));
        }

        return [.. sessions.OrderBy(s => s.Day)];
    }

    /// <summary>The passages that a solver left out.</summary>
    public IReadOnlyList<PlanPassage> LeftOut(CpSolver solver) => [.. _problem.Passages.Where((_, i) => !solver.BooleanValue(_kept[i]))];

    private BoolVar One()
    {
        var one = _model.NewBoolVar("one");
        _model.Add(one == 1);
        return one;
    }

    private BoolVar?[] Days(PlanPassage passage, int place) =>
        [
            .. _problem.Days.Select(
                (day, d) => day.Date >= (passage.From ?? day.Date) && HasTime(place, day) ? _model.NewBoolVar($"{place} {d}") : null
            ),
        ];

    private bool HasTime(int place, PlanDay day) =>
        _groups
            .Where(g => g.Passages.Contains(place))
            .All(g => PlanProblem.MinutesOf(g.Share, day) + _freedom.Minutes >= _problem.Passages[place].Minutes);

    private void Practiced(int place)
    {
        var passage = _problem.Passages[place];
        var days = Enumerable.Range(0, _problem.Days.Count).Where(d => _on[place][d] is not null).ToList();
        var all = LinearExpr.Sum(days.Select(d => (LinearExpr)_on[place][d]!));
        if (_freedom.Sessions)
            _model.AddLinearConstraint(all, 1, passage.Sessions);
        else
            _model.Add(all == (_kept[place] * passage.Sessions));
        foreach (var d in days.Where(d => passage.Set.Contains(_problem.Days[d].Date)))
            _model.Add((LinearExpr)_on[place][d]! == (LinearExpr)_kept[place]);
        if (passage.Gap > 1)
            foreach (var d in days)
            {
                var window = days.Where(o => o >= d && _problem.Days[o].Date.DayNumber - _problem.Days[d].Date.DayNumber < passage.Gap)
                    .ToList();
                if (window.Count > 1)
                    _model.AddAtMostOne(window.Select(o => (ILiteral)_on[place][o]!));
            }

        if (!_freedom.MayBeLate)
            foreach (var d in days.Where(d => _problem.Days[d].Date > passage.Due))
                _model.Add((LinearExpr)_on[place][d]! == 0);
    }

    // The lateness of a passage is at least that of each of its sessions.
    private void CountLate()
    {
        var late = new List<LinearExpr>();
        for (var i = 0; i < _on.Length; i++)
        {
            var due = _problem.Passages[i].Due.DayNumber;
            var after = Enumerable
                .Range(0, _on[i].Length)
                .Where(d => _on[i][d] is not null && _problem.Days[d].Date.DayNumber > due)
                .ToList();
            if (after.Count == 0)
                continue;
            var own = _model.NewIntVar(0, _problem.Days[after[^1]].Date.DayNumber - due, $"late {i}");
            foreach (var d in after)
                _model.Add((LinearExpr)own >= (_on[i][d]! * (_problem.Days[d].Date.DayNumber - due)));
            late.Add(own);
        }

        _model.Add((LinearExpr)Late == LinearExpr.Sum(late));
    }

    private void Hold(PlanGroup group)
    {
        for (var d = 0; d < _problem.Days.Count; d++)
        {
            var work = group.Passages.Where(i => _on[i][d] is not null).ToList();
            if (work.Count == 0)
                continue;
            var minutes = LinearExpr.WeightedSum(
                work.Select(i => (LinearExpr)_on[i][d]!),
                work.Select(i => (long)_problem.Passages[i].Minutes)
            );
            _model.Add(minutes <= ((LinearExpr)_extra + PlanProblem.MinutesOf(group.Share, _problem.Days[d])));
            _model.Add(minutes <= (LinearExpr)Peak);
        }
    }

    private IEnumerable<LinearExpr> All() => _on.SelectMany(row => row).OfType<BoolVar>().Select(v => (LinearExpr)v);

    private void Each(Action<int, int, BoolVar> act)
    {
        for (var i = 0; i < _on.Length; i++)
            for (var d = 0; d < _on[i].Length; d++)
                if (_on[i][d] is { } on)
                    act(i, d, on);
    }

    private long MostLate() =>
        _problem.Passages.Sum(p => (long)Math.Max(0, (_problem.Days.Count == 0 ? 0 : _problem.Days[^1].Date.DayNumber) - p.Due.DayNumber));

    private int MostMinutes() =>
        _problem.Days.Count == 0 || _groups.Count == 0 ? 0 : _problem.Days.Max(d => _groups.Max(g => PlanProblem.MinutesOf(g.Share, d)));
}
