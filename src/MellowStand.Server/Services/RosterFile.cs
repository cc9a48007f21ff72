using System.Globalization;
using CsvHelper;
using MellowStand.Core.Instruments;

namespace MellowStand.Server.Services;

/// <summary>A line of a list of players as it was read.</summary>
/// <param name="Line">Its number in the file, from 1.</param>
/// <param name="Name">The player's name.</param>
/// <param name="Section">The section; made from the instrument where the list has none.</param>
/// <param name="Instrument">Instrument id of the catalog, or null.</param>
/// <param name="Chair">Chair from 1.</param>
/// <param name="Problem">What to look at before it is kept, or null.</param>
public sealed record RosterRow(int Line, string Name, string Section, string? Instrument, int Chair, string? Problem);

/// <summary>Reads a list of players: CSV with a heading, columns in any order.</summary>
internal static class RosterFile
{
    /// <summary>The most lines of a list.</summary>
    public const int MostRows = 1000;

    private const int MostBytes = 1024 * 1024;

    private static readonly Dictionary<string, string[]> Headings = new()
    {
        ["name"] = ["name", "player", "student", "full name", "player name", "student name"],
        ["section"] = ["section", "group", "ensemble section"],
        ["instrument"] = ["instrument", "plays"],
        ["chair"] = ["chair", "seat", "number", "stand"],
    };

    /// <summary>The lines, each with what to look at.</summary>
    /// <param name="name">Name of the file.</param>
    /// <param name="bytes">Its bytes: UTF-8, with commas, semicolons or tabs.</param>
    /// <param name="known">Names of the players who are there already.</param>
    /// <exception cref="Refusal">It is too large, or has no heading with a name.</exception>
    public static IReadOnlyList<RosterRow> Read(string name, byte[] bytes, IReadOnlySet<string> known)
    {
        if (bytes.Length > MostBytes)
            throw new Refusal(StatusCodes.Status413PayloadTooLarge, $"{name} is larger than 1 MB. A list of players is much smaller.");
        if (bytes.Contains((byte)0))
            throw Refusal.BadRequest($"{name} is no text file. Save the list as CSV (comma-separated, UTF-8) and bring it again.");
        try
        {
            using var csv = CsvReader.Create(bytes, new CsvReaderOptions { TrimWhitespace = true, TrackLineNumbers = true });
            return Read(name, csv, known);
        }
        catch (CsvFormatException)
        {
            throw Refusal.BadRequest(
                $"{name} cannot be read as a table. Save the list as CSV (comma-separated, UTF-8) and bring it again."
            );
        }
    }

    private static List<RosterRow> Read(string name, CsvReader csv, IReadOnlySet<string> known)
    {
        csv.ReadHeader();
        var columns = Columns([.. csv.Headers]);
        if (!columns.TryGetValue("name", out var nameAt))
            throw Refusal.BadRequest($"{name} has no column \"name\". The first line names the columns: name, section, instrument, chair.");
        var rows = new List<RosterRow>();
        var seen = new HashSet<string>(known, StringComparer.OrdinalIgnoreCase);
        var chairs = new Dictionary<string, int>(StringComparer.OrdinalIgnoreCase);
        while (csv.Read())
        {
            if (rows.Count == MostRows)
                throw Refusal.BadRequest($"{name} has more than {MostRows} lines. Split it.");
            string Cell(string column) => columns.TryGetValue(column, out var at) ? csv.GetString(at).Trim() : "";
            var player = csv.GetString(nameAt).Trim();
            var named = Cell("instrument");
            var instrument = named.Length > 0 ? Recognition.Named(named) : Recognition.Named(Cell("section"));
            var section = Cell("section") is { Length: > 0 } s ? Names.Clean(s) : SectionOf(instrument);
            var isNumber = int.TryParse(Cell("chair"), NumberStyles.Integer, CultureInfo.InvariantCulture, out var chair);
            if (!isNumber || chair is < 1 or > 99)
                chair = chairs.GetValueOrDefault(section) + 1;
            chairs[section] = Math.Max(chair, chairs.GetValueOrDefault(section));
            var problem = ProblemOf(player, named, instrument, Cell("chair"), isNumber && chair is >= 1 and <= 99, seen.Add(player));
            rows.Add(
                new RosterRow((int)csv.LineNumber, player.Length == 0 ? "" : Names.Clean(player), section, instrument?.Id, chair, problem)
            );
        }

        return rows;
    }

    private static string? ProblemOf(string player, string named, Instrument? instrument, string chair, bool hasChair, bool isNew)
    {
        if (player.Length == 0)
            return "no name on this line";
        if (!isNew)
            return "this name is there already";
        if (instrument is null)
            return named.Length > 0 ? $"no instrument is known as \"{Names.Clean(named)}\"" : "no instrument";
        return chair.Length > 0 && !hasChair ? $"\"{Names.Clean(chair)}\" is no chair from 1 to 99" : null;
    }

    private static string SectionOf(Instrument? instrument) => instrument is null ? "Players" : instrument.Section;

    private static Dictionary<string, int> Columns(string[] heading) =>
        Headings
            .Select(h => (h.Key, At: Array.FindIndex(heading, x => h.Value.Contains(x.Trim().ToLowerInvariant()))))
            .Where(h => h.At >= 0)
            .ToDictionary(h => h.Key, h => h.At);
}
