using MellowStand.Server.Services;
using Microsoft.AspNetCore.Mvc;

namespace MellowStand.Server.Endpoints;

/// <summary>What a query says of scales besides which ones they are.</summary>
public sealed class ScaleQuery
{
    /// <summary>Instrument id of the catalog.</summary>
    [FromQuery(Name = "instrument")]
    public string? Instrument { get; init; }

    /// <summary><c>written</c> or <c>concert</c> tonics.</summary>
    [FromQuery(Name = "pitch")]
    public string? Pitch { get; init; }

    /// <summary>Octaves; all that the instrument has when left out.</summary>
    [FromQuery(Name = "octaves")]
    public int? Octaves { get; init; }

    /// <summary>The rhythm.</summary>
    [FromQuery(Name = "rhythm")]
    public string? Rhythm { get; init; }

    /// <summary>The slurring.</summary>
    [FromQuery(Name = "slurring")]
    public string? Slurring { get; init; }

    /// <summary><c>signature</c> or <c>accidentals</c>.</summary>
    [FromQuery(Name = "signs")]
    public string? Signs { get; init; }

    /// <summary><c>chosen</c>, <c>all</c> or <c>none</c>.</summary>
    [FromQuery(Name = "fingerings")]
    public string? Fingerings { get; init; }

    /// <summary>For the bass: <c>small-steps</c> or <c>six</c>; the school's when left out.</summary>
    [FromQuery(Name = "positions")]
    public string? Positions { get; init; }

    /// <summary>The level whose range is kept; the school's when left out.</summary>
    [FromQuery(Name = "level")]
    public string? Level { get; init; }

    /// <summary>Octaves above the lowest tonic of the range at which each scale begins; 0 when left out.</summary>
    [FromQuery(Name = "up")]
    public int? Up { get; init; }

    /// <summary>The list of these scales.</summary>
    public ScaleListRequest Of(IReadOnlyList<ScaleAsk> scales) =>
        new(Instrument, scales, Pitch, Rhythm, Slurring, Signs, Fingerings, Positions, Level, Up: Up);
}
