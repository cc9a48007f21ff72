using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>What runs in the background: how far it is, and how to stop it.</summary>
public static class JobEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapJobs(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/jobs").WithTags("Jobs");
        group.MapGet("", (Jobs jobs) => TypedResults.Ok(jobs.All()));
        group.MapGet("/{job}", One);
        group.MapDelete("/{job}", Cancel);
    }

    // The result of a job is told once; then the job is forgotten.
    private static Ok<JobView> One(string job, Jobs jobs) => TypedResults.Ok(jobs.Find(job, take: true) ?? throw NoJob());

    private static NoContent Cancel(string job, Jobs jobs) => jobs.Cancel(job) ? TypedResults.NoContent() : throw NoJob();

    private static Refusal NoJob() => Refusal.NotFound("There is no such job any more: it is over, and its result was told.");
}
