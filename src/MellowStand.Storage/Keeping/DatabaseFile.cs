using System.Reflection;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage.Keeping;

/// <summary>What can be told of a database file before it is opened for work.</summary>
/// <remarks>The file's header and its log: https://www.sqlite.org/fileformat2.html (bytes 18 and 19: 2 where a write-ahead log is used) and
/// https://www.sqlite.org/wal.html.</remarks>
public static class DatabaseFile
{
    private const int HeaderBytes = 100;
    private const int VersionByte = 18;
    private const byte WithLog = 2;

    /// <summary>What is said of a database with a log beside it that is to be put back.</summary>
    internal const string InUse = "it has a log beside it, so it is a copy of a database in use and no backup";

    /// <summary>Path of a database's write-ahead log.</summary>
    public static string LogOf(string path) => path + "-wal";

    /// <summary>Path of the index of a database's log.</summary>
    public static string IndexOf(string path) => path + "-shm";

    /// <summary>Checks a database before the server writes to it: a log beside it must be its own.</summary>
    /// <remarks>A server that was killed leaves its log, and the next start writes it into the database. When somebody copied another
    /// database
    /// over the old one meanwhile, the log would be written into the wrong one.</remarks>
    /// <exception cref="KeepingException">The log is not the database's own, or the database is damaged.</exception>
    public static void CheckBeforeStart(string path)
    {
        if (!HasLog(path))
            return;
        if (!File.Exists(path))
            throw Foreign(path, "the database itself is missing");
        var header = Header(path);
        if (header.Length == HeaderBytes && header[VersionByte] != WithLog)
            throw Foreign(path, "the database was put there from a backup and never had a log");
        if (Problem(path) is { } problem)
            throw Foreign(path, $"the two together are damaged: {problem}");
    }

    /// <summary>Says what keeps a file from being a school's database that this version can open, or null.</summary>
    public static string? ProblemOf(string path)
    {
        var header = Header(path);
        if (header.Length < HeaderBytes || !header.AsSpan(0, 16).SequenceEqual("SQLite format 3\0"u8))
            return "it is no database";
        if (Problem(path) is { } damage)
            return $"it is damaged: {damage}";
        return Versions(path) switch
        {
            [] => "it holds no school",
            var names when names.FirstOrDefault(n => !KnownMigrations().Contains(n)) is { } unknown =>
                $"a newer version wrote it ({unknown})",
            _ => null,
        };
    }

    /// <summary>True when anything was ever kept in the database: an account, a piece, a section, a house rule.</summary>
    public static bool HoldsAnything(string path)
    {
        if (!File.Exists(path) || new FileInfo(path).Length == 0)
            return false;
        using var connection = Open(path);
        return Tables(connection).Contains("piece") && Count(connection, "director", "piece", "section", "house_rule") > 0;
    }

    /// <summary>A connection to a file that is there; nothing is made and nothing migrated.</summary>
    internal static SqliteConnection Open(string path, SqliteOpenMode mode = SqliteOpenMode.ReadWrite)
    {
        var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = path,
                Mode = mode,
                Pooling = false,
                DefaultTimeout = 10,
            }.ToString()
        );
        connection.Open();
        return connection;
    }

    /// <summary>True when a log with anything in it lies beside a database.</summary>
    internal static bool HasLog(string path) => File.Exists(LogOf(path)) && new FileInfo(LogOf(path)).Length > 0;

    private static byte[] Header(string path)
    {
        using var file = new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.ReadWrite);
        var header = new byte[HeaderBytes];
        return header[..file.ReadAtLeast(header, HeaderBytes, throwOnEndOfStream: false)];
    }

    // Read only: nothing of the log is written into the database by looking.
    private static string? Problem(string path)
    {
        try
        {
            using var connection = Open(path, SqliteOpenMode.ReadOnly);
            var said = connection.One("PRAGMA integrity_check(1)", r => r.Text("integrity_check"));
            return said == "ok" ? null : said;
        }
        catch (SqliteException e)
        {
            return e.Message;
        }
    }

    private static List<string> Versions(string path)
    {
        using var connection = Open(path, SqliteOpenMode.ReadOnly);
        return Tables(connection).Contains("SchemaVersions")
            ? connection.Read("SELECT ScriptName FROM SchemaVersions", r => r.Text("ScriptName"))
            : [];
    }

    private static List<string> Tables(SqliteConnection connection) =>
        connection.Read("SELECT name FROM sqlite_master WHERE type = 'table'", r => r.Text("name"));

    private static long Count(SqliteConnection connection, params string[] tables) =>
        tables.Sum(t => connection.One($"SELECT COUNT(*) AS n FROM {t}", r => r.Long("n")));

    private static HashSet<string> KnownMigrations() =>
        [.. Assembly.GetExecutingAssembly().GetManifestResourceNames().Where(n => n.EndsWith(".sql", StringComparison.Ordinal))];

    private static KeepingException Foreign(string path, string why) =>
        new(
            $"The log {LogOf(path)} does not belong to the database beside it: {why}. Nothing was changed. Put a backup back with "
                + "./stand restore FILE, which keeps what is there under another name."
        );
}
