namespace MellowStand.Server.Tests.Fire;

/// <summary>What keeps the program from starting is told in one sentence with a proper exit code, and leaves nothing behind.</summary>
public sealed class StartTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("mellow-stand-start-").FullName;

    private string Data => Path.Combine(_folder, "data");

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    [Fact]
    public async Task A_second_server_on_a_folder_is_refused_and_the_first_goes_on()
    {
        using var first = await ServerProcess.Start(Data);
        var (exit, said, errors) = await ServerProcess.Ended("--data", Data, "--port", $"{ServerProcess.FreePort()}");
        Assert.Equal(1, exit);
        OneSentence(errors, "Another Mellow Stand is using the data folder");
        Assert.DoesNotContain("http://", said, StringComparison.Ordinal);
        using var client = first.Client();
        Assert.True((await client.GetAsync("/healthz", TestContext.Current.CancellationToken)).IsSuccessStatusCode);
        var restored = await ServerProcess.Ended("--data", Data, "--restore", typeof(ServerApp).Assembly.Location);
        Assert.Equal(1, restored.Exit);
        OneSentence(restored.Errors, "Another Mellow Stand");
    }

    [Fact]
    public async Task After_a_kill_the_folder_is_free_again_and_the_owners_only()
    {
        using (var first = await ServerProcess.Start(Data))
            first.Kill();
        using var second = await ServerProcess.Start(Data);
        const UnixFileMode Owner = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        Assert.Equal(Owner | UnixFileMode.UserExecute, File.GetUnixFileMode(Data));
        Assert.All(Directory.GetFiles(Data), f => Assert.Equal(Owner, File.GetUnixFileMode(f)));
    }

    [Fact]
    public async Task A_taken_port_leaves_no_folder_behind()
    {
        using var first = await ServerProcess.Start(Data);
        var other = Path.Combine(_folder, "other");
        var (exit, said, errors) = await ServerProcess.Ended("--data", other, "--port", $"{first.Port}");
        Assert.Equal(1, exit);
        OneSentence(errors, $"Port {first.Port} is taken");
        Assert.DoesNotContain("http://", said, StringComparison.Ordinal);
        Assert.False(Directory.Exists(other));
    }

    [Theory]
    [InlineData("abc")]
    [InlineData("65536")]
    [InlineData("70000")]
    [InlineData("-1")]
    public async Task A_port_that_is_none_is_refused(string port)
    {
        var (exit, _, errors) = await ServerProcess.Ended("--data", Data, "--port", port);
        Assert.Equal(2, exit);
        OneSentence(errors, $"The port \"{port}\" is none");
        Assert.False(Directory.Exists(Data));
    }

    [Fact]
    public async Task Port_0_is_a_free_one_and_is_told()
    {
        using var first = await ServerProcess.Start(Data);
        using var second = await ServerProcess.Start(Path.Combine(_folder, "other"));
        Assert.NotEqual(first.Port, second.Port);
        using var client = second.Client();
        Assert.True((await client.GetAsync("/healthz", TestContext.Current.CancellationToken)).IsSuccessStatusCode);
    }

    [Theory]
    [InlineData("tomorrow")]
    [InlineData("2027-02-29")]
    public async Task A_day_that_is_none_is_refused(string day)
    {
        var (exit, _, errors) = await ServerProcess.Ended("--data", Data, "--port", "0", "--today", day);
        Assert.Equal(2, exit);
        OneSentence(errors, $"The day \"{day}\" is none");
        Assert.False(Directory.Exists(Data));
    }

    [Theory]
    [InlineData("/proc/mellow-stand")]
    [InlineData("/dev/null/data")]
    public async Task A_folder_that_cannot_be_written_is_told(string folder)
    {
        var (exit, _, errors) = await ServerProcess.Ended("--data", folder, "--port", $"{ServerProcess.FreePort()}");
        Assert.Equal(1, exit);
        OneSentence(errors, $"The data folder {folder} cannot be made or written");
    }

    [Fact]
    public async Task A_backup_without_a_school_and_a_restore_without_a_file_are_refused()
    {
        var backup = await ServerProcess.Ended("--data", Data, "--backup", Path.Combine(_folder, "copy.db"));
        Assert.Equal(1, backup.Exit);
        OneSentence(backup.Errors, "There is no school in");
        var restore = await ServerProcess.Ended("--data", Data, "--restore", Path.Combine(_folder, "none.db"));
        Assert.Equal(1, restore.Exit);
        OneSentence(restore.Errors, "There is no file");
        Assert.False(Directory.Exists(Data));
    }

    private static void OneSentence(string errors, string begins)
    {
        Assert.StartsWith(begins, errors, StringComparison.Ordinal);
        Assert.Single(errors.Trim().Split('\n'));
        Assert.DoesNotContain("   at ", errors, StringComparison.Ordinal);
    }
}
