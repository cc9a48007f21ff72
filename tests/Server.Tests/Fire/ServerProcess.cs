using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace MellowStand.Server.Tests.Fire;

/// <summary>The server as its own process on a data folder, as a school runs it: it can be killed.</summary>
internal sealed class ServerProcess : IDisposable
{
    private readonly Process _process;

    private ServerProcess(Process process, int port) => (_process, Port) = (process, port);

    public int Port { get; }

    /// <summary>Starts the program with arguments and returns at once.</summary>
    public static Process Run(params string[] arguments)
    {
        var start = new ProcessStartInfo("dotnet") { RedirectStandardOutput = true, RedirectStandardError = true };
        start.ArgumentList.Add(typeof(StandApp).Assembly.Location);
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

    /// <summary>Starts the server and waits until it answers.</summary>
    public static async Task<ServerProcess> Start(string data)
    {
        var port = FreePort();
        var process = Run("--data", data, "--port", $"{port}", "--demo", "false");
        process.OutputDataReceived += (_, _) => { };
        process.BeginOutputReadLine();
        var errors = process.StandardError.ReadToEndAsync(TestContext.Current.CancellationToken);
        using var client = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
        for (var i = 0; i < 600 && !process.HasExited; i++)
        {
            try
            {
                if ((await client.GetAsync("/healthz", TestContext.Current.CancellationToken)).IsSuccessStatusCode)
                    return new ServerProcess(process, port);
            }
            catch (HttpRequestException) { }
            await Task.Delay(50, TestContext.Current.CancellationToken);
        }

        if (!process.HasExited)
            process.Kill();
        throw new InvalidOperationException($"The server did not start: {await errors}");
    }

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
}
