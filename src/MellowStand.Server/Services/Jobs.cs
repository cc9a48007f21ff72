using System.Collections.Concurrent;
using System.Globalization;
using System.Threading.Channels;

namespace MellowStand.Server.Services;

/// <summary>How far a job is.</summary>
public enum JobState
{
    /// <summary>Others are before it.</summary>
    Waiting,

    /// <summary>It runs.</summary>
    Running,

    /// <summary>It is done.</summary>
    Done,

    /// <summary>It was refused or failed; the sentence tells why.</summary>
    Failed,

    /// <summary>It was cancelled.</summary>
    Cancelled,
}

/// <summary>A job as the page shows it.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Title">What it does, in a few words.</param>
/// <param name="State"><c>waiting</c>, <c>running</c>, <c>done</c>, <c>failed</c> or <c>cancelled</c>.</param>
/// <param name="Done">Steps done.</param>
/// <param name="Total">Steps in all; 0 while unknown.</param>
/// <param name="Step">What is done now, in words.</param>
/// <param name="Result">Address of what it made, e.g. <c>/api/pieces/7</c>, or null.</param>
/// <param name="Sentence">Why it failed, or null.</param>
public sealed record JobView(string Id, string Title, string State, int Done, int Total, string Step, string? Result, string? Sentence);

/// <summary>Where a job tells how far it is.</summary>
/// <param name="job">The job.</param>
/// <param name="cancelled">Set when somebody cancels it, or the server stops.</param>
public sealed class JobProgress(Job job, CancellationToken cancelled)
{
    /// <summary>Set when somebody cancels the job, or the server stops.</summary>
    public CancellationToken Cancelled => cancelled;

    /// <summary>Tells how far it is; throws when it was cancelled.</summary>
    public void Report(int done, int total, string step)
    {
        cancelled.ThrowIfCancellationRequested();
        (job.Done, job.Total, job.Step) = (done, total, step);
    }

    /// <summary>Tells what it made.</summary>
    public void Made(string address) => job.Result = address;
}

/// <summary>A piece of work that takes over a second.</summary>
public sealed class Job(string id, string title, string? key, Action<JobProgress> work) : IDisposable
{
    internal string Id => id;

    internal string? Key => key;

    internal Action<JobProgress> Work => work;

    internal CancellationTokenSource Cancel { get; } = new();

    internal JobState State { get; set; }

    internal int Done { get; set; }

    internal int Total { get; set; }

    internal string Step { get; set; } = "";

    internal string? Result { get; set; }

    internal string? Sentence { get; set; }

    internal bool IsOver => State is JobState.Done or JobState.Failed or JobState.Cancelled;

    internal JobView View => new(id, title, Words.Of(State), Done, Total, Step, Result, Sentence);

    /// <inheritdoc/>
    public void Dispose() => Cancel.Dispose();
}

/// <summary>The queue of what takes over a second: large imports, figures of the whole shelf, later plans and sound. One job at a time; a
/// page that was
/// loaded again finds its job by number.</summary>
public sealed class Jobs(ILogger<Jobs> log) : BackgroundService
{
    // A waiting import holds its file.
    private const int MostWaiting = 24;
    private const int MostRemembered = 100;

    private readonly Channel<Job> _queue = Channel.CreateBounded<Job>(MostWaiting);
    private readonly ConcurrentDictionary<string, Job> _jobs = new();
    private long _last;

    /// <summary>All jobs that are not forgotten, the newest first.</summary>
    public IReadOnlyList<JobView> All() =>
        [.. _jobs.Values.OrderByDescending(j => long.Parse(j.Id, CultureInfo.InvariantCulture)).Select(j => j.View)];

    /// <summary>A job, or null. One that is over is told once more and then forgotten when <paramref name="take"/> is set.</summary>
    public JobView? Find(string id, bool take = false)
    {
        if (!_jobs.TryGetValue(id, out var job))
            return null;
        var view = job.View;
        if (take && job.IsOver && _jobs.TryRemove(id, out _))
            job.Dispose();
        return view;
    }

    /// <summary>Puts a job at the end of the queue.</summary>
    /// <exception cref="Refusal">Too many are waiting.</exception>
    public JobView Add(string title, Action<JobProgress> work) => Add(title, null, work);

    /// <summary>Puts a job at the end of the queue unless one of the same key waits or runs.</summary>
    public void Once(string title, string key, Action<JobProgress> work)
    {
        if (!_jobs.Values.Any(j => j.Key == key && !j.IsOver))
            Add(title, key, work);
    }

    /// <summary>Cancels a job that waits or runs.</summary>
    /// <returns>False when there is none.</returns>
    public bool Cancel(string id)
    {
        if (!_jobs.TryGetValue(id, out var job) || job.IsOver)
            return false;
        job.Cancel.Cancel();
        if (job.State == JobState.Waiting)
            job.State = JobState.Cancelled;
        return true;
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await foreach (var job in _queue.Reader.ReadAllAsync(stoppingToken).ConfigureAwait(false))
            await Task.Run(() => Run(job, stoppingToken), stoppingToken).ConfigureAwait(false);
    }

    private JobView Add(string title, string? key, Action<JobProgress> work)
    {
        var job = new Job(Interlocked.Increment(ref _last).ToString(CultureInfo.InvariantCulture), title, key, work);
        if (!_queue.Writer.TryWrite(job))
            throw new Refusal(StatusCodes.Status503ServiceUnavailable, "Too many jobs are waiting. Try again in a minute.");
        _jobs[job.Id] = job;
        foreach (
            var old in _jobs
                .Values.Where(j => j.IsOver)
                .OrderByDescending(j => long.Parse(j.Id, CultureInfo.InvariantCulture))
                .Skip(MostRemembered)
        )
            _jobs.TryRemove(old.Id, out _);
        return job.View;
    }

    private void Run(Job job, CancellationToken stopping)
    {
        if (job.State == JobState.Cancelled)
            return;
        using var either = CancellationTokenSource.CreateLinkedTokenSource(job.Cancel.Token, stopping);
        job.State = JobState.Running;
        try
        {
            job.Work(new JobProgress(job, either.Token));
            job.State = JobState.Done;
        }
        catch (OperationCanceledException)
        {
            job.State = JobState.Cancelled;
        }
#pragma warning disable CA1031 // Whatever a job throws, the queue goes on, and the page is told.
        catch (Exception e)
#pragma warning restore CA1031
        {
            var (status, sentence) = ProblemSentences.Of(e);
            if (status >= 500)
                log.LogError(e, "Job {Id} failed", job.Id);
            (job.Sentence, job.State) = (sentence, JobState.Failed);
        }
    }
}
