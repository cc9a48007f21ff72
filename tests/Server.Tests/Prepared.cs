using MellowStand.Storage;
using MellowStand.Storage.Keeping;
using Microsoft.Data.Sqlite;

namespace MellowStand.Server.Tests;

/// <summary>Databases that are made once and copied for each server of the tests: an empty one of the newest form, and the demo school of
/// <see cref="TestDay"/>.</summary>
internal static class Prepared
{
    private static readonly Lazy<string> Empty = new(() => Kept(data => new Database(Of(data)).Dispose()));

    private static readonly Lazy<string> School = new(() => Kept(FillSchool));

    /// <summary>Lays a copy into a data folder that has no database yet.</summary>
    public static void Lay(string data, bool school)
    {
        if (File.Exists(Of(data)))
            return;
        File.Copy(school ? School.Value : Empty.Value, Of(data));
        using var c = new SqliteConnection($"Data Source={Of(data)};Pooling=False");
        c.Open();
        // Each school has a mark of its own.
        using var mark = c.CreateCommand();
        mark.CommandText = "UPDATE school_mark SET mark = lower(hex(randomblob(8)))";
        mark.ExecuteNonQuery();
    }

    private static string Of(string data) => DataFolder.DatabaseIn(data);

    private static void FillSchool(string data)
    {
        using var server = new SchoolServer
        {
            Data = data,
            WithSchool = true,
            IsPrepared = false,
            KeepsData = true,
        };
        using var client = server.CreateClient();
    }

    // Closing the last connection writes the log into the file, so that one file is the whole.
    private static string Kept(Action<string> make)
    {
        var data = Directory.CreateTempSubdirectory("mellow-stand-prepared-").FullName;
        AppDomain.CurrentDomain.ProcessExit += (_, _) => Directory.Delete(data, recursive: true);
        make(data);
        SqliteConnection.ClearAllPools();
        Assert.False(File.Exists(DatabaseFile.LogOf(Of(data))), "The prepared database still has a log.");
        return Of(data);
    }
}
