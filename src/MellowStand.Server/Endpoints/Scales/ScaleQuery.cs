using MellowStand.Server.Services;
using Microsoft.AspNetCore.Mvc;

namespace MellowStand.Server.Endpoints;

/// <summary>What a query says of scales besides which ones they are.</summary>
/// <param name="Instrument">Instrument id of the catalog.</param>
/// <param name="Pitch"><c>written</c> or <c>concert</c> tonics.</param>
/// <param name="Octaves">Octaves; all that the instrument has when left out.</param>
/// <param name="Rhythm">The rhythm.</param>
/// <param name="Slurring">The slurring.</param>
/// <param name="Signs"><c>signature</c> or <c>accidentals</c>.</param>
/// <param name="Fingerings"><c>chosen</c>, <c>all</c> or <c>none</c>.</param>
/// <param name="Positions">For the bass: <c>small-steps</c> or <c>six</c>; the school's when left out.</param>
/// <param name="Level">The level whose range is kept; the school's when left out.</param>
public sealed record ScaleQuery(
    [FromQuery(Name = "instrument")] string? Instrument = null,
    [FromQuery(Name = "pitch")] string? Pitch = null,
    [FromQuery(Name = "octaves")] int? Octaves = null,
    [FromQuery(Name = "rhythm")] string? Rhythm = null,
    [FromQuery(Name = "slurring")] string? Slurring = null,
    [FromQuery(Name = "signs")] string? Signs = null,
    [FromQuery(Name = "fingerings")] string? Fingerings = null,
    [FromQuery(Name = "positions")] string? Positions = null,
    [FromQuery(Name = "level")] string? Level = null
)
{
    /// <summary>The list of these scales.</summary>
    public ScaleListRequest Of(IReadOnlyList<ScaleAsk> scales) =>
        new(Instrument, scales, Pitch, Rhythm, Slurring, Signs, Fingerings, Positions, Level);
}
