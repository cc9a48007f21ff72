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
    private readonly AsyncLocal<Counters?> _pinned = new();
    private long _queries;

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

    /// <summary>How many queries were asked since it was opened, by all who ask.</summary>
    public long Queries => Interlocked.Read(ref _queries);

    /// <summary>A connection of one's own that keeps its word: foreign keys, full synchronisation, ten seconds of patience. Repositories
    /// look (<see cref="Look"/>) and act (<see cref="Act"/>) instead, so that a look inside an act sees what the act has written.</summary>
    public SqliteConnection Open()
    {
        var connection = new CountedConnection(_connectionString, () => Interlocked.Increment(ref _queries));
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "PRAGMA foreign_keys = ON; PRAGMA synchronous = FULL; PRAGMA busy_timeout = 10000;";
        command.ExecuteNonQuery();
        if (_mostPages is { } most)
            connection.Run($"PRAGMA max_page_count = {most}");
        return connection;
    }

    /// <summary>True inside an act on this thread.</summary>
    public bool IsActing => _running.Value is not null;

    /// <summary>The counters as they stand, or as they stood when the request that asks was begun (<see cref="Pin"/>).</summary>
    public Counters Now() => IsActing ? Look(CountersOf) : _pinned.Value ?? Look(CountersOf);

    /// <summary>Lets all that one request asks for rest on the same counters: they are read once. What was read under an older counter is
    /// read again by the next request.</summary>
    /// <param name="counters">The counters as read when the request began.</param>
    public void Pin(Counters counters) => _pinned.Value = counters;

    /// <summary>Lets what follows in this request see what others have written meanwhile.</summary>
    public void Unpin() => _pinned.Value = null;

    internal static Counters CountersOf(SqliteConnection c) =>
        c.One(
            "SELECT d.shelf, d.people, d.passages, d.plans, d.hearing, d.auditions, s.n + s.quiet AS school "
                + "FROM desk_revision d, school_revision s",
            r => new Counters(
                r.Long("shelf"),
                r.Long("people"),
                r.Long("passages"),
                r.Long("plans"),
                r.Long("hearing"),
                r.Long("auditions"),
                r.Long("school")
            )
        );

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
            var after = _pinned.Value is null ? null : (Counters?)CountersOf(connection);
            transaction.Commit();
            // What is read after it in the same request sees it.
            _pinned.Value = after;
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
