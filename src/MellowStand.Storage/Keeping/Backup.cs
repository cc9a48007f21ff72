using System.Globalization;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage.Keeping;

/// <summary>A school's database copied out while it may be in use, and put back.</summary>
public static class Backup
{
    /// <summary>Copies the database of a data folder into a new file, whole or not at all.</summary>
    /// <param name="folder">The data folder; a server may be using it.</param>
    /// <param name="target">Path of the copy; it must not exist yet.</param>
    /// <exception cref="KeepingException">There is no school, or the copy cannot be written.</exception>
    public static void Make(string folder, string target)
    {
        var database = DataFolder.DatabaseIn(Path.GetFullPath(folder));
        var full = Path.GetFullPath(target);
        if (!DatabaseFile.HoldsAnything(database))
            throw new KeepingException(
                $"There is no school in {Path.GetFullPath(folder)}, so there is nothing to back up. Name it with --data DIR."
            );
        if (Path.Exists(full))
            throw new KeepingException($"{full} exists already. Choose a new name.");
        if (!Directory.Exists(Path.GetDirectoryName(full)))
            throw new KeepingException($"There is no folder {Path.GetDirectoryName(full)}. Make it first, or choose another place.");
        Written(full, () => Copy(database, full));
    }

    /// <summary>Puts a backup in the place of a school's database; what was there is kept beside it under another name.</summary>
    /// <param name="file">The backup.</param>
    /// <param name="folder">The data folder; no server may be using it.</param>
    /// <param name="now">The moment, for the name of what is kept.</param>
    /// <returns>Folder in which the former database is kept, or null where there was none.</returns>
    /// <exception cref="KeepingException">The file is no backup that this version can open, or the folder cannot be written.</exception>
    public static string? PutBack(string file, string folder, DateTimeOffset now)
    {
        if (!File.Exists(file))
            throw new KeepingException($"There is no file {Path.GetFullPath(file)}. Check the name and try again.");
        using var held = DataFolder.Take(folder);
        var coming = held.Database + ".coming-back";
        Written(coming, () => CopyFile(file, coming));
        var problem = DatabaseFile.HasLog(file) ? DatabaseFile.InUse : DatabaseFile.ProblemOf(coming);
        // Looking at a copy of a database that had a log leaves an empty one and its index.
        File.Delete(DatabaseFile.LogOf(coming));
        File.Delete(DatabaseFile.IndexOf(coming));
        if (problem is not null)
        {
            File.Delete(coming);
            throw new KeepingException(
                $"{Path.GetFullPath(file)} cannot be put back: {problem}. Nothing was changed. Choose another backup."
            );
        }

        var kept = SetAside(held, now);
        File.Move(coming, held.Database);
        return kept;
    }

    private static void Copy(string database, string target)
    {
        var part = target + ".part";
        File.Delete(part);
        using (var connection = DatabaseFile.Open(database))
        {
            using var command = connection.CreateCommand();
            command.CommandText = "VACUUM INTO $target";
            command.Parameters.AddWithValue("$target", part);
            command.ExecuteNonQuery();
        }

        DataFolder.Protect(part);
        Flush(part);
        File.Move(part, target, overwrite: false);
    }

    private static void CopyFile(string from, string to)
    {
        File.Delete(to);
        DataFolder.Protect(to);
        using var source = File.OpenRead(from);
        using var copy = new FileStream(to, FileMode.Open, FileAccess.Write);
        source.CopyTo(copy);
        copy.Flush(flushToDisk: true);
    }

    private static void Flush(string path)
    {
        using var file = new FileStream(path, FileMode.Open, FileAccess.ReadWrite);
        file.Flush(flushToDisk: true);
    }

    // The database before its log: whenever this ends in the middle, the log is found without its database and nothing is written.
    private static string? SetAside(DataFolder folder, DateTimeOffset now)
    {
        string[] there =
        [
            .. new[] { folder.Database, DatabaseFile.LogOf(folder.Database), DatabaseFile.IndexOf(folder.Database) }.Where(File.Exists),
        ];
        if (there.Length == 0)
            return null;
        var stamp = now.ToString("yyyyMMdd-HHmmss-fff", CultureInfo.InvariantCulture);
        var kept = Directory.CreateDirectory(Path.Combine(folder.Path, $"before-restore-{stamp}")).FullName;
        foreach (var file in there)
            File.Move(file, Path.Combine(kept, Path.GetFileName(file)));
        return kept;
    }

    // A copy that could not be written whole is not left behind.
    private static void Written(string target, Action write)
    {
        try
        {
            write();
        }
        catch (Exception e) when (e is SqliteException or IOException or UnauthorizedAccessException)
        {
            foreach (var left in new[] { target + ".part", target }.Where(File.Exists))
                File.Delete(left);
            throw new KeepingException(
                $"{target} cannot be written ({e.Message.TrimEnd('.')}). Nothing else was changed. Make room or choose another place.",
                e
            );
        }
    }
}
