namespace MellowStand.Core.Instruments;

/// <summary>Instruments whose players hold more air than they can spend: they breathe out before they breathe in.</summary>
/// <remarks>Common practice, no published source.</remarks>
public static class DoubleReeds
{
    private static readonly HashSet<string> Ids = ["oboe", "english-horn", "bassoon", "contrabassoon"];

    /// <summary>True for an oboe, a bassoon or their like.</summary>
    public static bool Has(Instrument? instrument) => instrument is not null && Ids.Contains(instrument.Id);
}
