using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>A part of the school's data that many ask for: read once and kept as long as its counters stand still.</summary>
/// <typeparam name="T">What is kept; it must never be changed.</typeparam>
/// <param name="database">The database.</param>
/// <param name="on">What it rests on.</param>
/// <param name="load">Reads it.</param>
/// <remarks>Inside an act nothing is kept: an act that fails takes its counters back, and the next one would count to the same number with
/// other data.</remarks>
internal sealed class Slice<T>(Database database, RestsOn on, Func<SqliteConnection, T> load)
    where T : class
{
    private sealed record Kept(long Counter, T Value);

    private volatile Kept? _kept;

    /// <summary>The data as they stand, or as they stood when the request began that asks.</summary>
    public T Now()
    {
        if (database.IsActing)
            return database.Look(load);
        var counter = database.Now().Of(on);
        if (_kept is { } kept && kept.Counter == counter)
            return kept.Value;
        var read = database.Look(c => new Kept(Database.CountersOf(c).Of(on), load(c)));
        _kept = read;
        return read.Value;
    }
}
