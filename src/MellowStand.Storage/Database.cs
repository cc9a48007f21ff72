using System.Reflection;
using DbUp;
using DbUp.Engine.Output;
using MellowStand.Storage.Keeping;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>The SQLite file of a school: opened with a write-ahead log, full synchronisation and foreign keys.</summary>
/// <remarks>Data once acknowledged is never lost: https://sqlite.org/wal.html and
/// https://sqlite.org/pragma.html#pragma_synchronous.</remarks>
public sealed class Database : IDisposable
{
    private readonly string _connectionString;

    private readonly long? _mostPages;
    private readonly ThreadLocal<SqliteConnection?> _running = new();

    /// <summary>Opens or makes the file and brings it to the newest migration.</summary>
    /// <param name="path">Path of the file; its folder is made where there is none.</param>
    /// <param name="mostPages">The most pages it may grow to, as on a disk that is nearly full; null for no bound.</param>
    /// <exception cref="KeepingException">A migration failed, and nothing of it is kept; or what lies there is no database of a
    /// school.</exception>
    public Database(string path, long? mostPages = null)
    {
        (Path, _mostPages) = (path, mostPages);
        Directory.CreateDirectory(System.IO.Path.GetDirectoryName(System.IO.Path.GetFullPath(path))!);
        DatabaseFile.CheckBeforeStart(path);
        DataFolder.Protect(path);
        _connectionString = new SqliteConnectionStringBuilder
        {
            DataSource = path,
            ForeignKeys = true,
            DefaultTimeout = 10,
            Pooling = true,
        }.ToString();
        try
        {
            using (var connection = Open())
                connection.Run("PRAGMA journal_mode = WAL");
            Migrate();
        }
        catch (SqliteException e)
        {
            throw new KeepingException(
                $"The database {path} cannot be opened ({e.Message.TrimEnd('.')}). Make room, mend its permissions, or put a "
                    + $"backup back with "
                    + "./stand restore FILE.",
                e
            );
        }
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
        if (_mostPages is { } most)
            connection.Run($"PRAGMA max_page_count = {most}");
        return connection;
    }

    /// <summary>Runs one act in one transaction: all of it is kept, or nothing. An act inside another is part of it.</summary>
    public T Act<T>(Func<SqliteConnection, T> act)
    {
        if (_running.Value is { } outer)
            return act(outer);
        using var connection = Open();
        using var transaction = connection.BeginTransaction(deferred: false);
        try
        {
            _running.Value = connection;
            var result = act(connection);
            transaction.Commit();
            return result;
        }
        finally
        {
            _running.Value = null;
        }
    }

    /// <summary>Reads several things as they stood at one moment, whatever is written meanwhile; inside an act, as that act has left
    /// them.</summary>
    public T Look<T>(Func<SqliteConnection, T> look)
    {
        if (_running.Value is { } outer)
            return look(outer);
        using var connection = Open();
        using var transaction = connection.BeginTransaction(deferred: true);
        return look(connection);
    }

    /// <summary>Lets the file go.</summary>
    public void Dispose()
    {
        _running.Dispose();
        using var connection = new SqliteConnection(_connectionString);
        SqliteConnection.ClearPool(connection);
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
            throw new KeepingException(
                $"The database {Path} could not be brought up to date ({result.ErrorScript?.Name}). Restore a backup or use the "
                    + $"version that wrote it.",
                result.Error
            );
    }
}
