using MellowStand.Core.Instruments;

namespace MellowStand.Core.Technique;

/// <summary>A teacher's correction of a chart, for the whole school.</summary>
/// <param name="Instrument">Instrument id.</param>
/// <param name="Written">Written key number.</param>
/// <param name="Code">Code of the fingering; a new one adds it.</param>
/// <param name="Standing">One of <see cref="Standings"/>.</param>
/// <param name="Keys">What is pressed, where the teacher says so; empty leaves the chart's.</param>
/// <param name="Remark">When it is taken, or why not.</param>
public sealed record ChartCorrection(
    string Instrument,
    int Written,
    string Code,
    string Standing,
    IReadOnlyList<string> Keys,
    string Remark
)
{
    /// <summary><c>usual</c>: players take it untold; <c>alternate</c>: it may be taken; <c>avoid</c>: only when all else is worse;
    /// <c>never</c>.</summary>
    public static IReadOnlyList<string> Standings { get; } = ["usual", "alternate", "avoid", "never"];
}

/// <summary>What the players of a part have in their hands.</summary>
/// <param name="Options">Ids of the options that all of their instruments have.</param>
/// <param name="Corrections">The school's corrections of the instrument's chart.</param>
public sealed record Hands(IReadOnlySet<string> Options, IReadOnlyList<ChartCorrection> Corrections)
{
    /// <summary>The level that all of them reach, one of <see cref="WrittenRanges.Levels"/>; null where nothing is known of them.</summary>
    public string? Level { get; init; }

    /// <summary>True when all of them have the option.</summary>
    public bool Has(string option) => Options.Contains(option);

    /// <summary>Usual instruments and the chart as it is.</summary>
    public static Hands Usual(string instrument) => new(InstrumentOptions.UsualOf(instrument), []);
}
