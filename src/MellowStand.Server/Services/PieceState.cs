using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>Everything kept that a piece is read from.</summary>
/// <param name="Original">The imported bytes.</param>
/// <param name="Decisions">The decisions in force, oldest first.</param>
/// <param name="House">The school's answers.</param>
/// <param name="Instruments">Corrected instruments, part id to instrument id.</param>
/// <param name="Learned">Corrections from other pieces.</param>
/// <param name="Players">The players of the ensemble.</param>
/// <param name="Leaders">Leaders of lines that were set.</param>
/// <param name="Versions">How often the decision on a difference has changed.</param>
/// <param name="Corrections">The school's corrections of fingering charts.</param>
public sealed record PieceState(
    byte[] Original,
    IReadOnlyList<DecisionRow> Decisions,
    House House,
    IReadOnlyDictionary<string, string> Instruments,
    IReadOnlyDictionary<string, string> Learned,
    IReadOnlyList<Seat> Players,
    IReadOnlyDictionary<string, string> Leaders,
    IReadOnlyDictionary<string, int> Versions,
    IReadOnlyList<ChartCorrection> Corrections
);
