using System.Globalization;
using Google.OrTools.Sat;
using MellowStand.Core.Assign;

namespace MellowStand.Planning;

/// <summary>What a search has found.</summary>
/// <param name="Sessions">The plan.</param>
/// <param name="Bound">No plan has less of what was sought.</param>
/// <param name="IsProved">True where the plan reaches it.</param>
internal sealed record PlanFound(IReadOnlyList<PlannedSession> Sessions, int Bound, bool IsProved);

/// <summary>Runs the solver for a while.</summary>
internal sealed class PlanSearch(double seconds, CancellationToken cancelled)
{
    private const int Workers = 8;
    private const int Seed = 17;

    /// <summary>The best plan of a model, or null where it has none (or none was found in time).</summary>
    /// <param name="model">The model with its aim.</param>
    /// <param name="hint">A plan to begin at, or null.</param>
    public PlanFound? Run(PlanModel model, IReadOnlyCollection<PlannedSession>? hint = null)
    {
        if (hint is not null)
            model.Hint(hint);
        var status = Solve(model, out var solver);
        return status is CpSolverStatus.Optimal or CpSolverStatus.Feasible
            ? new PlanFound(model.Read(solver), (int)Math.Ceiling(solver.BestObjectiveBound - 1e-6), status == CpSolverStatus.Optimal)
            : null;
    }

    /// <summary>Any plan of a model without an aim, or null.</summary>
    /// <param name="model">The model.</param>
    /// <param name="hint">A plan to begin at.</param>
    /// <param name="isImpossible">True where it is proved that there is none.</param>
    public IReadOnlyList<PlannedSession>? Ask(PlanModel model, IReadOnlyCollection<PlannedSession> hint, out bool isImpossible)
    {
        model.Hint(hint);
        var status = Solve(model, out var solver);
        isImpossible = status == CpSolverStatus.Infeasible;
        return status is CpSolverStatus.Optimal or CpSolverStatus.Feasible ? model.Read(solver) : null;
    }

    /// <summary>Solves a model.</summary>
    public CpSolverStatus Solve(PlanModel model, out CpSolver solver)
    {
        cancelled.ThrowIfCancellationRequested();
        solver = new CpSolver
        {
            StringParameters = string.Create(
                CultureInfo.InvariantCulture,
                $"max_time_in_seconds:{seconds:0.###} num_workers:{Workers} random_seed:{Seed}"
            ),
        };
        var running = solver;
        using var stop = cancelled.Register(running.StopSearch);
        var status = solver.Solve(model.Model);
        cancelled.ThrowIfCancellationRequested();
        return status;
    }
}
