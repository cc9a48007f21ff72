using System.Text.RegularExpressions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;
using MellowStand.Core.Technique.Charts;

namespace MellowStand.Server.Services;

/// <summary>A correction to make.</summary>
/// <param name="Written">Written key number.</param>
/// <param name="Code">Code of the fingering; a new one adds it, for charts of keys.</param>
/// <param name="Standing"><c>usual</c>, <c>alternate</c>, <c>avoid</c> or <c>never</c>.</param>
/// <param name="Keys">What is pressed, or null to leave the chart's.</param>
/// <param name="Remark">When it is taken, or why not.</param>
public sealed record CorrectionEdit(int Written, string Code, string Standing, IReadOnlyList<string>? Keys, string? Remark);

/// <summary>Checks a correction of a chart before it is kept.</summary>
public static partial class ChartCheck
{
    private const int MostCodes = 24;

    /// <summary>The correction that an edit asks for.</summary>
    /// <exception cref="Refusal">It cannot be made; the sentence says why.</exception>
    public static ChartCorrection Read(Instrument instrument, FingeringChart chart, CorrectionEdit edit)
    {
        var fingerings = chart.At(edit.Written);
        if (fingerings.Count == 0)
            throw Refusal.BadRequest(
                $"The chart of {instrument.Name} has no such note. It goes from {chart.Notes[0].Written} to {chart.Notes[^1].Written}."
            );
        if (!ChartCorrection.Standings.Contains(edit.Standing ?? ""))
            throw Refusal.BadRequest($"A fingering stands as one of {string.Join(", ", ChartCorrection.Standings)}.");
        var isNew = fingerings.All(f => f.Code != edit.Code);
        if (isNew && (chart.Kind != "keys" || !Plain().IsMatch(edit.Code ?? "")))
            throw Refusal.BadRequest(
                chart.Kind == "keys"
                    ? $"A new fingering needs a short name of small letters, digits and hyphens, at most {MostCodes} long."
                    : "Only charts of keys take new fingerings; choose one that the note has."
            );
        var keys = edit.Keys ?? [];
        if (chart.Kind == "keys" && keys.FirstOrDefault(k => chart.Keys.All(x => x.Id != k)) is { } unknown)
            throw Refusal.BadRequest($"The chart has no key \"{Names.Clean(unknown)}\". Take keys of its diagram.");
        if (chart.Kind != "keys" && keys.Count > 0)
            throw Refusal.BadRequest("This chart is computed; only where a fingering stands can be changed.");
        if (isNew && keys.Count == 0)
            throw Refusal.BadRequest("A new fingering needs at least one key.");
        var remark = string.IsNullOrWhiteSpace(edit.Remark) ? "" : Names.Clean(edit.Remark);
        return new ChartCorrection(instrument.Id, edit.Written, edit.Code!, edit.Standing!, [.. keys.Distinct()], remark);
    }

    [GeneratedRegex("^[a-z0-9][a-z0-9-]{0,23}$")]
    private static partial Regex Plain();
}
