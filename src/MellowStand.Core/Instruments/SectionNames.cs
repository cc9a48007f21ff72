namespace MellowStand.Core.Instruments;

/// <summary>The section in which an instrument sits.</summary>
/// <remarks>As school bands and orchestras seat themselves: common practice, no published source.</remarks>
public static class SectionNames
{
    private static readonly Dictionary<string, string> Own = new()
    {
        ["piccolo"] = "Flutes",
        ["alto-flute"] = "Flutes",
        ["english-horn"] = "Oboes",
        ["contrabassoon"] = "Bassoons",
        ["clarinet-bb"] = "Clarinets",
        ["clarinet-a"] = "Clarinets",
        ["clarinet-eb"] = "Clarinets",
        ["alto-clarinet"] = "Low reeds",
        ["bass-clarinet"] = "Low reeds",
        ["contra-clarinet"] = "Low reeds",
        ["soprano-sax"] = "Saxophones",
        ["alto-sax"] = "Saxophones",
        ["tenor-sax"] = "Saxophones",
        ["bari-sax"] = "Saxophones",
        ["trumpet-bb"] = "Trumpets",
        ["trumpet-c"] = "Trumpets",
        ["cornet"] = "Trumpets",
        ["flugelhorn"] = "Trumpets",
        ["horn-f"] = "Horns",
        ["bass-trombone"] = "Trombones",
        ["euphonium"] = "Low brass",
        ["euphonium-tc"] = "Low brass",
        ["tuba"] = "Low brass",
        ["cello"] = "Cellos",
        ["contrabass"] = "Basses",
        ["harp"] = "Harp",
        ["piano"] = "Keyboards",
        ["organ"] = "Keyboards",
        ["soprano"] = "Sopranos",
        ["alto"] = "Altos",
        ["tenor"] = "Tenors",
        ["bass-voice"] = "Basses (voice)",
        ["voice"] = "Voices",
    };

    /// <summary>The section's name, e.g. <c>Clarinets</c> or <c>Percussion</c>.</summary>
    /// <param name="instrument">An instrument of the catalog.</param>
    public static string Of(Instrument instrument)
    {
        if (Own.TryGetValue(instrument.Id, out var name))
            return name;
        if (instrument.Family == Family.Percussion)
            return "Percussion";
        return instrument.Name.EndsWith('s') ? instrument.Name : instrument.Name + "s";
    }
}
