using System.Globalization;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>Short ways to run a command with named values.</summary>
internal static class Sql
{
    public static int Run(this SqliteConnection connection, string sql, params (string Name, object? Value)[] values)
    {
        using var command = Command(connection, sql, values);
        return command.ExecuteNonQuery();
    }

    public static long Insert(this SqliteConnection connection, string sql, params (string Name, object? Value)[] values)
    {
        using var command = Command(connection, sql + " RETURNING id", values);
        return (long)command.ExecuteScalar()!;
    }

    public static List<T> Read<T>(
        this SqliteConnection connection,
        string sql,
        Func<Row, T> row,
        params (string Name, object? Value)[] values
    )
    {
        (connection as CountedConnection)?.CountQuery();
        using var command = Command(connection, sql, values);
        using var reader = command.ExecuteReader();
        var rows = new List<T>();
        while (reader.Read())
            rows.Add(row(new Row(reader)));
        return rows;
    }

    /// <summary>The only row of a query, or the default where there is none.</summary>
    public static T? One<T>(
        this SqliteConnection connection,
        string sql,
        Func<Row, T> row,
        params (string Name, object? Value)[] values
    ) => connection.Read(sql, row, values) is [var only, ..] ? only : default;

    /// <summary>Numbers as a value that a query takes apart again with <c>json_each</c>.</summary>
    public static string Json(IEnumerable<long> numbers) =>
        $"[{string.Join(',', numbers.Select(n => n.ToString(CultureInfo.InvariantCulture)))}]";

    public static string Iso(this DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    public static string Iso(this DateTimeOffset moment) =>
        moment.ToUniversalTime().ToString("yyyy-MM-dd'T'HH:mm:ss.fff'Z'", CultureInfo.InvariantCulture);

    private static SqliteCommand Command(SqliteConnection connection, string sql, (string Name, object? Value)[] values)
    {
        var command = connection.CreateCommand();
        command.CommandText = sql;
        foreach (var (name, value) in values)
            command.Parameters.AddWithValue("$" + name, value ?? DBNull.Value);
        return command;
    }
}
