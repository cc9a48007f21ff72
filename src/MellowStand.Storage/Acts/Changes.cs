using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>Changes that see to it that nothing of another's is lost.</summary>
internal static class Changes
{
    /// <summary>Changes a row that still has the version that was seen.</summary>
    /// <param name="c">The connection of the act.</param>
    /// <param name="table">The table, with columns <c>id</c> and <c>version</c>.</param>
    /// <param name="which">Which row, and that it was not removed, e.g. <c>id = $id AND left_on IS NULL</c>.</param>
    /// <param name="set">What to set, e.g. <c>name = $name</c>.</param>
    /// <param name="version">The version that was seen.</param>
    /// <param name="values">The named values.</param>
    public static Change Update(
        this SqliteConnection c,
        string table,
        string which,
        string set,
        long version,
        params (string Name, object? Value)[] values
    )
    {
        var there = c.Read($"SELECT version FROM {table} WHERE {which}", r => r.Long("version"), Only(which, values));
        if (there.Count == 0)
            return Change.Gone;
        if (there[0] != version)
            return Change.Stale;
        c.Run($"UPDATE {table} SET {set}, version = version + 1 WHERE {which}", values);
        return Change.Kept;
    }

    /// <summary>Sees to it that what is added to is still there.</summary>
    /// <exception cref="GoneException">It is not.</exception>
    public static void Demand(this SqliteConnection c, string what, string table, string which, long id)
    {
        if (c.Read($"SELECT 1 FROM {table} WHERE id = $id AND {which}", r => r.Int("1"), ("id", id)).Count == 0)
            throw new GoneException(what);
    }

    private static (string, object?)[] Only(string which, (string Name, object? Value)[] values) =>
        [.. values.Where(v => which.Contains("$" + v.Name, StringComparison.Ordinal))];
}
