using System.Globalization;
using System.Text.Json;
using MellowStand.Core.Tempo;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>A row as it is read: each column by its name, so that a column may move without another being read for it.</summary>
internal readonly struct Row(SqliteDataReader reader)
{
    private const string DayForm = "yyyy-MM-dd";
    private const string HourForm = "HH:mm";

    public long Long(string column) => reader.GetInt64(At(column));

    public long? LongOrNull(string column) => IsNull(column) ? null : Long(column);

    public int Int(string column) => reader.GetInt32(At(column));

    public double Double(string column) => reader.GetDouble(At(column));

    public double? DoubleOrNull(string column) => IsNull(column) ? null : Double(column);

    public bool Bool(string column) => reader.GetBoolean(At(column));

    public string Text(string column) => reader.GetString(At(column));

    public string? TextOrNull(string column) => IsNull(column) ? null : Text(column);

    public byte[] Bytes(string column) => reader.GetFieldValue<byte[]>(At(column));

    public DateOnly Day(string column) => DayOf(Text(column));

    public DateOnly? DayOrNull(string column) => IsNull(column) ? null : Day(column);

    public DateTimeOffset Moment(string column) => DateTimeOffset.Parse(Text(column), CultureInfo.InvariantCulture);

    public TimeOnly? HourOrNull(string column) =>
        TextOrNull(column) is { } hour ? TimeOnly.ParseExact(hour, HourForm, CultureInfo.InvariantCulture) : null;

    /// <summary>Texts that stand one a line.</summary>
    public string[] Lines(string column) => Text(column).Split('\n', StringSplitOptions.RemoveEmptyEntries);

    /// <summary>Numbers that stand with spaces between.</summary>
    public List<long> Numbers(string column) =>
        [.. Text(column).Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(n => long.Parse(n, CultureInfo.InvariantCulture))];

    /// <summary>What a query has put together as JSON.</summary>
    public JsonElement Json(string column)
    {
        using var json = JsonDocument.Parse(Text(column));
        return json.RootElement.Clone();
    }

    /// <summary>Numbers that a query has put together as JSON.</summary>
    public List<long> JsonNumbers(string column) => [.. Json(column).EnumerateArray().Select(n => n.GetInt64())];

    /// <summary>A beat unit by its name.</summary>
    public BeatUnit Unit(string column) => UnitOf(Text(column));

    /// <summary>A tempo out of its two columns.</summary>
    public TempoMark Tempo(string unit, string bpm) => new(Unit(unit), Double(bpm));

    public static DateOnly DayOf(string text) => DateOnly.ParseExact(text, DayForm, CultureInfo.InvariantCulture);

    /// <summary>The beat unit with the name.</summary>
    /// <exception cref="InvalidOperationException">This version knows none: a tempo in it would be told wrong in silence.</exception>
    public static BeatUnit UnitOf(string name) =>
        BeatUnit.Find(name) ?? throw new InvalidOperationException($"The database names a beat unit \"{name}\" that is not known.");

    private bool IsNull(string column) => reader.IsDBNull(At(column));

    private int At(string column) => reader.GetOrdinal(column);
}
