using System.Reflection;
using DbUp;
using DbUp.Engine.Output;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>The SQLite file of a school: opened with a write-ahead log, full synchronisation and foreign keys.</summary>
/// <remarks>Data once acknowledged is never lost: https://sqlite.org/wal.html and
/// https://sqlite.org/pragma.html#pragma_synchronous.</remarks>
public sealed class Database
{
    private readonly string _connectionString;

    /// <summary>Opens or makes the file and brings it to the newest migration.</summary>
    /// <param name="path">Path of the file; its folder is made where there is none.</param>
    /// <exception cref="InvalidOperationException">A migration failed; nothing of it is kept.</exception>
    public Database(string path)
    {
        Path = path;
        Directory.CreateDirectory(System.IO.Path.GetDirectoryName(System.IO.Path.GetFullPath(path))!);
        _connectionString = new SqliteConnectionStringBuilder
        {
            DataSource = path,
            ForeignKeys = true,
            DefaultTimeout = 10,
            Pooling = true,
        }.ToString();
        using (var connection = Open())
        {
            using var wal = connection.CreateCommand();
            wal.CommandText = "PRAGMA journal_mode = WAL";
            wal.ExecuteNonQuery();
        }

        Migrate();
    }

    /// <summary>Path of the file.</summary>
    public string Path { get; }

    /// <summary>A connection that keeps its word: foreign keys, full synchronisation, ten seconds of patience.</summary>
    public SqliteConnection Open()
    {
        var connection = new SqliteConnection(_connectionString);
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "PRAGMA foreign_keys = ON; PRAGMA synchronous = FULL; PRAGMA busy_timeout = 10000;";
        command.ExecuteNonQuery();
        return connection;
    }

    /// <summary>Runs one act in one transaction: all of it is kept, or nothing.</summary>
    public T Act<T>(Func<SqliteConnection, T> act)
    {
        using var connection = Open();
        using var transaction = connection.BeginTransaction(deferred: false);
        var result = act(connection);
        transaction.Commit();
        return result;
    }

    /// <summary>Reads several things as they stood at one moment, whatever is written meanwhile.</summary>
    public T Look<T>(Func<SqliteConnection, T> look)
    {
        using var connection = Open();
        using var transaction = connection.BeginTransaction(deferred: true);
        return look(connection);
    }

    /// <summary>Copies the whole database, while it is in use, into a new file.</summary>
    /// <param name="target">Path of the copy; it must not exist yet.</param>
    public void BackUp(string target)
    {
        using var connection = Open();
        using var command = connection.CreateCommand();
        command.CommandText = "VACUUM INTO $target";
        command.Parameters.AddWithValue("$target", target);
        command.ExecuteNonQuery();
    }

    private void Migrate()
    {
        var result = DeployChanges
            .To.SqliteDatabase(_connectionString)
            .WithScriptsEmbeddedInAssembly(Assembly.GetExecutingAssembly(), name => name.EndsWith(".sql", StringComparison.Ordinal))
            .WithTransactionPerScript()
            .LogTo(new NoOpUpgradeLog())
            .Build()
            .PerformUpgrade();
        if (!result.Successful)
            throw new InvalidOperationException(
                $"The database {Path} could not be brought up to date ({result.ErrorScript?.Name}). Restore a backup or use the "
                    + $"version that wrote it.",
                result.Error
            );
    }
}
