using MellowStand.Storage;
using MellowStand.Storage.Keeping;
using Microsoft.Data.Sqlite;

namespace MellowStand.Server.Tests.Fire;

/// <summary>Backups and what is put back: never half, never over what was there, never under the log of another database.</summary>
public sealed class KeepingTests : IDisposable
{
    private static readonly DateTimeOffset Now = new(2026, 9, 1, 8, 0, 0, TimeSpan.Zero);

    private readonly string _folder = Directory.CreateTempSubdirectory("mellow-stand-keeping-").FullName;

    private string Data => Path.Combine(_folder, "data");

    private string Copy => Path.Combine(_folder, "copy.db");

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(_folder, recursive: true);
    }

    [Fact]
    public void A_backup_put_back_after_a_crash_is_the_backup_and_what_was_there_is_kept()
    {
        CrashAfterBackup();
        var kept = Backup.PutBack(Copy, Data, Now);
        Assert.Equal(["Horns"], Sections(Path.Combine(Data, "stand.db")));
        Assert.Equal(["Horns", "Tubas"], Sections(Path.Combine(kept!, "stand.db")));
    }

    // As the handbook of an earlier version said: the backup was copied over the database, and the log of the crash stayed.
    [Fact]
    public void A_log_that_is_not_the_databases_own_is_noticed_and_nothing_is_written()
    {
        CrashAfterBackup();
        var database = Path.Combine(Data, "stand.db");
        File.Copy(Copy, database, overwrite: true);
        var before = File.ReadAllBytes(database);
        var e = Assert.Throws<KeepingException>(() => new Database(database));
        Assert.Contains("does not belong", e.Message, StringComparison.Ordinal);
        Assert.Contains("./stand restore", e.Message, StringComparison.Ordinal);
        Assert.Equal(before, File.ReadAllBytes(database));
        // And the way out that the sentence tells.
        Backup.PutBack(Copy, Data, Now);
        Assert.Equal(["Horns"], Sections(database));
    }

    [Fact]
    public void A_log_without_its_database_is_noticed()
    {
        CrashAfterBackup();
        File.Delete(Path.Combine(Data, "stand.db"));
        var e = Assert.Throws<KeepingException>(() => new Database(Path.Combine(Data, "stand.db")));
        Assert.Contains("missing", e.Message, StringComparison.Ordinal);
        Assert.False(File.Exists(Path.Combine(Data, "stand.db")));
    }

    [Fact]
    public void A_log_of_a_crash_is_its_databases_own_and_is_read()
    {
        CrashAfterBackup();
        Assert.Equal(["Horns", "Tubas"], Sections(Path.Combine(Data, "stand.db")));
    }

    [Theory]
    [InlineData("no database", "it is no database")]
    [InlineData("another program's", "it holds no school")]
    [InlineData("cut short", "damaged")]
    [InlineData("of a newer version", "a newer version wrote it")]
    public void What_is_no_backup_is_not_put_back(string what, string says)
    {
        CrashAfterBackup();
        Spoil(what);
        var e = Assert.Throws<KeepingException>(() => Backup.PutBack(Copy, Data, Now));
        Assert.Contains(says, e.Message, StringComparison.Ordinal);
        Assert.Contains("Nothing was changed", e.Message, StringComparison.Ordinal);
        Assert.Equal(["Horns", "Tubas"], Sections(Path.Combine(Data, "stand.db")));
        Assert.DoesNotContain(Directory.GetFiles(Data), f => f.Contains("coming", StringComparison.Ordinal));
    }

    [Fact]
    public void An_empty_log_beside_a_backup_is_nothing_and_a_full_one_is_refused_in_words()
    {
        CrashAfterBackup();
        File.WriteAllText(Copy + "-wal", "");
        Backup.PutBack(Copy, Data, Now);
        Assert.Equal(["Horns"], Sections(Path.Combine(Data, "stand.db")));
        File.WriteAllText(Copy + "-wal", "x");
        var e = Assert.Throws<KeepingException>(() => Backup.PutBack(Copy, Data, Now.AddDays(1)));
        Assert.Contains("a log beside it", e.Message, StringComparison.Ordinal);
        Assert.DoesNotContain(Directory.GetFiles(Data), f => f.Contains("coming", StringComparison.Ordinal));
    }

    [Fact]
    public void A_backup_is_the_owners_only_and_is_never_written_over()
    {
        CrashAfterBackup();
        Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(Copy));
        var before = File.ReadAllBytes(Copy);
        Assert.Contains("exists already", Assert.Throws<KeepingException>(() => Backup.Make(Data, Copy)).Message, StringComparison.Ordinal);
        Assert.Equal(before, File.ReadAllBytes(Copy));
        var nowhere = Path.Combine(_folder, "nowhere", "copy.db");
        Assert.Contains("no folder", Assert.Throws<KeepingException>(() => Backup.Make(Data, nowhere)).Message, StringComparison.Ordinal);
        Assert.False(Directory.Exists(Path.GetDirectoryName(nowhere)));
    }

    [Fact]
    public void An_empty_or_missing_school_is_not_backed_up()
    {
        Assert.Contains("no school", Assert.Throws<KeepingException>(() => Backup.Make(Data, Copy)).Message, StringComparison.Ordinal);
        Assert.False(Directory.Exists(Data));
        using (new Database(Path.Combine(Data, "stand.db"))) { }
        Assert.Contains("no school", Assert.Throws<KeepingException>(() => Backup.Make(Data, Copy)).Message, StringComparison.Ordinal);
        Assert.False(File.Exists(Copy));
    }

    [Fact]
    public void A_full_disk_keeps_nothing_and_what_was_there_stays()
    {
        Directory.CreateDirectory(Data);
        var path = Path.Combine(Data, "stand.db");
        using (var database = new Database(path))
            new EnsembleRepository(database).AddSection("Horns");
        using var full = new Database(path, mostPages: new FileInfo(path).Length / 4096);
        var e = Assert.Throws<SqliteException>(() => Many(new EnsembleRepository(full)));
        var (status, sentence) = ProblemSentences.Of(e);
        Assert.Equal((507, "The disk is full, so nothing was kept. Make room and try again."), (status, sentence));
        Assert.Contains("Horns", new EnsembleRepository(full).Sections().Select(s => s.Name));
    }

    private static void Many(EnsembleRepository ensemble)
    {
        for (var i = 0; i < 5000; i++)
            ensemble.AddSection(new string('x', 2000));
    }

    // One section in the backup; another one only in the log that a killed server leaves.
    private void CrashAfterBackup()
    {
        var path = Path.Combine(Data, "stand.db");
        Directory.CreateDirectory(Data);
        var database = new Database(path);
        new EnsembleRepository(database).AddSection("Horns");
        Backup.Make(Data, Copy);
        using var held = database.Open();
        new EnsembleRepository(database).AddSection("Tubas");
        var crashed = Directory.CreateDirectory(Path.Combine(_folder, "crashed")).FullName;
        foreach (var file in Directory.GetFiles(Data, "stand.db*"))
            File.Copy(file, Path.Combine(crashed, Path.GetFileName(file)));
        held.Dispose();
        database.Dispose();
        SqliteConnection.ClearAllPools();
        foreach (var file in Directory.GetFiles(Data, "stand.db*"))
            File.Delete(file);
        foreach (var file in Directory.GetFiles(crashed).Where(f => !f.EndsWith("-shm", StringComparison.Ordinal)))
            File.Move(file, Path.Combine(Data, Path.GetFileName(file)));
        Directory.Delete(crashed, recursive: true);
        Assert.True(new FileInfo(path + "-wal").Length > 0);
    }

    private void Spoil(string what)
    {
        if (what == "no database")
            File.WriteAllText(Copy, "hello");
        else if (what == "cut short")
            File.WriteAllBytes(Copy, File.ReadAllBytes(Copy)[..20_000]);
        else
            Write(
                what == "of a newer version"
                    ? "INSERT INTO SchemaVersions (ScriptName, Applied) VALUES ('9999_later.sql', '')"
                    : "CREATE TABLE t (x)"
            );

        void Write(string sql)
        {
            if (what == "another program's")
                File.Delete(Copy);
            using var connection = new SqliteConnection($"Data Source={Copy};Pooling=false");
            connection.Open();
            using var command = connection.CreateCommand();
            command.CommandText = sql;
            command.ExecuteNonQuery();
        }
    }

    private static List<string> Sections(string path)
    {
        using var database = new Database(path);
        return [.. new EnsembleRepository(database).Sections().Select(s => s.Name)];
    }
}
