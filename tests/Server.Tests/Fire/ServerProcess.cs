using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Sockets;
using System.Text.RegularExpressions;

namespace MellowStand.Server.Tests.Fire;

/// <summary>The server as its own process on a data folder, as a school runs it: it can be killed.</summary>
internal sealed partial class ServerProcess : IDisposable
{
    private readonly Process _process;
    private readonly ConcurrentQueue<string> _said;

    private ServerProcess(Process process, int port, ConcurrentQueue<string> said) => (_process, Port, _said) = (process, port, said);

    public int Port { get; }

    /// <summary>Starts the program with arguments and returns at once.</summary>
    public static Process Run(params string[] arguments)
    {
        var start = new ProcessStartInfo("dotnet") { RedirectStandardOutput = true, RedirectStandardError = true };
        start.ArgumentList.Add(typeof(ServerApp).Assembly.Location);
        foreach (var argument in arguments)
            start.ArgumentList.Add(argument);
        return Process.Start(start)!;
    }

    /// <summary>Runs the program to its end.</summary>
    public static async Task<(int Exit, string Said, string Errors)> Ended(params string[] arguments)
    {
        using var process = Run(arguments);
        var said = process.StandardOutput.ReadToEndAsync(TestContext.Current.CancellationToken);
        var errors = process.StandardError.ReadToEndAsync(TestContext.Current.CancellationToken);
        await process.WaitForExitAsync(TestContext.Current.CancellationToken);
        return (process.ExitCode, await said, await errors);
    }

    /// <summary>Starts the server on a free port and waits, for as long as the machine needs, until it tells its address.</summary>
    public static async Task<ServerProcess> Start(string data)
    {
        var process = Run("--data", data, "--port", "0", "--demo", "false", "--today", TestDay.In(0));
        var said = new ConcurrentQueue<string>();
        var ready = new TaskCompletionSource<int>(TaskCreationOptions.RunContinuationsAsynchronously);
        void Hear(string? line)
        {
            if (line is null)
                return;
            said.Enqueue(line);
            if (Address().Match(line) is { Success: true } told)
                ready.TrySetResult(int.Parse(told.Groups[1].Value, CultureInfo.InvariantCulture));
        }

        process.OutputDataReceived += (_, e) => Hear(e.Data);
        process.ErrorDataReceived += (_, e) => Hear(e.Data);
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
        var ended = process.WaitForExitAsync(TestContext.Current.CancellationToken);
        if (await Task.WhenAny(ready.Task, ended) == ready.Task)
            return new ServerProcess(process, await ready.Task, said);
        throw new InvalidOperationException($"The server did not start: {string.Join('\n', said)}");
    }

    /// <summary>What it has said so far, its log included.</summary>
    public string Said => string.Join('\n', _said);

    /// <summary>A client that keeps its cookies.</summary>
    public HttpClient Client() =>
        new(new SocketsHttpHandler { CookieContainer = new CookieContainer() })
        {
            BaseAddress = new Uri($"http://127.0.0.1:{Port}"),
            Timeout = TimeSpan.FromSeconds(60),
        };

    /// <summary>Ends it as a power cut does: SIGKILL.</summary>
    public void Kill()
    {
        _process.Kill();
        _process.WaitForExit();
    }

    public void Dispose()
    {
        if (!_process.HasExited)
            Kill();
        _process.Dispose();
    }

    public static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    [GeneratedRegex(@"^Mellow Stand is at http://127\.0\.0\.1:(\d+)")]
    private static partial Regex Address();
}
