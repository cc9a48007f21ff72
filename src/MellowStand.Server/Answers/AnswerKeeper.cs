using System.Collections.Concurrent;
using System.Globalization;
using System.IO.Compression;
using System.Reflection;
using System.Security.Cryptography;
using System.Text;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Net.Http.Headers;

namespace MellowStand.Server.Answers;

/// <summary>Gives the same answer again without working it out: by the browser's own copy (304), or as it was packed before. Many who ask
/// at once for what is not there yet wait, without holding a thread, for the one who works it out.</summary>
/// <remarks>Entity tags and 304: RFC 9110, sections 8.8.3 and 15.4.5. A tag is made of the counters that triggers keep in the database, so
/// that whoever writes there makes old answers stale.</remarks>
internal sealed class AnswerKeeper(RequestDelegate next, PieceDesk desk, Database database, TimeProvider clock) : IDisposable
{
    private const long Budget = 96L * 1024 * 1024;

    // A piece's row holds its own counters and the school's.
    private const RestsOn Beside = ~(RestsOn.Piece | RestsOn.School | RestsOn.Day);

    private static readonly string Program = Assembly.GetExecutingAssembly().ManifestModule.ModuleVersionId.ToString("N");

    private readonly MemoryCache _kept = new(new MemoryCacheOptions { SizeLimit = Budget });
    private readonly ConcurrentDictionary<string, Turn> _turns = new();

    /// <summary>Answers a GET of a marked route; lets all else pass.</summary>
    public async Task InvokeAsync(HttpContext context)
    {
        // All that a request reads rests on the same counters, which are read once.
        if (context.Request.Path.StartsWithSegments("/api", StringComparison.Ordinal))
            database.Pin(database.Now());
        if (!HttpMethods.IsGet(context.Request.Method) || context.GetEndpoint()?.Metadata.GetMetadata<KeepAnswer>() is not { } mark)
        {
            await next(context).ConfigureAwait(false);
            return;
        }

        var tag = TagOf(context, mark.On);
        context.Response.Headers.CacheControl = "private, no-cache";
        if (context.Request.Headers.IfNoneMatch.ToString().Contains(tag, StringComparison.Ordinal))
        {
            context.Response.Headers.ETag = tag;
            context.Response.StatusCode = StatusCodes.Status304NotModified;
            return;
        }

        if (await Answer(context, tag).ConfigureAwait(false) is { } answer)
            await Give(context, answer, tag).ConfigureAwait(false);
    }

    /// <inheritdoc/>
    public void Dispose() => _kept.Dispose();

    // One at a time works out what many ask for; a refusal is not kept, and the next one asks again.
    private async Task<KeptAnswer?> Answer(HttpContext context, string tag)
    {
        if (_kept.TryGetValue(tag, out KeptAnswer? there))
            return there;
        var turn = _turns.AddOrUpdate(tag, _ => new Turn(), (_, t) => t.Joined());
        try
        {
            await turn.Gate.WaitAsync(context.RequestAborted).ConfigureAwait(false);
            try
            {
                return _kept.TryGetValue(tag, out there) ? there : await WorkOut(context, tag).ConfigureAwait(false);
            }
            finally
            {
                turn.Gate.Release();
            }
        }
        finally
        {
            if (turn.Left() == 0)
                _turns.TryRemove(KeyValuePair.Create(tag, turn));
        }
    }

    private async Task<KeptAnswer?> WorkOut(HttpContext context, string tag)
    {
        var (response, body) = (context.Response, context.Response.Body);
        using var written = new MemoryStream();
        response.Body = written;
        try
        {
            await next(context).ConfigureAwait(false);
        }
        finally
        {
            response.Body = body;
        }

        if (response.StatusCode != StatusCodes.Status200OK)
        {
            written.Position = 0;
            await written.CopyToAsync(body, context.RequestAborted).ConfigureAwait(false);
            return null;
        }

        // Whoever asked is gone: what was written may be cut off, or nothing at all.
        if (context.RequestAborted.IsCancellationRequested)
            return null;
        var answer = new KeptAnswer(Pack(written), written.Length, response.ContentType, response.Headers.ContentDisposition);
        _kept.Set(tag, answer, new MemoryCacheEntryOptions { Size = answer.Packed.Length + tag.Length });
        return answer;
    }

    private static byte[] Pack(MemoryStream written)
    {
        using var packed = new MemoryStream();
        using (var zip = new GZipStream(packed, CompressionLevel.Fastest, leaveOpen: true))
            written.WriteTo(zip);
        return packed.ToArray();
    }

    private static async Task Give(HttpContext context, KeptAnswer answer, string tag)
    {
        var headers = context.Response.Headers;
        headers.ETag = tag;
        headers.Vary = HeaderNames.AcceptEncoding;
        context.Response.ContentType = answer.ContentType;
        if (answer.Disposition is { Length: > 0 } name)
            headers.ContentDisposition = name;
        if (context.Request.Headers.AcceptEncoding.ToString().Contains("gzip", StringComparison.OrdinalIgnoreCase))
        {
            headers.ContentEncoding = "gzip";
            context.Response.ContentLength = answer.Packed.Length;
            await context.Response.Body.WriteAsync(answer.Packed, context.RequestAborted).ConfigureAwait(false);
            return;
        }

        context.Response.ContentLength = answer.Length;
        using var unpacked = new GZipStream(new MemoryStream(answer.Packed, writable: false), CompressionMode.Decompress);
        await unpacked.CopyToAsync(context.Response.Body, context.RequestAborted).ConfigureAwait(false);
    }

    private string TagOf(HttpContext context, RestsOn on)
    {
        var day = on.HasFlag(RestsOn.Day) ? clock.Today().DayNumber : 0;
        var piece = on.HasFlag(RestsOn.Piece) ? PieceOf(context).ToString() : "";
        var counters = on.HasFlag(RestsOn.Piece) && (on & Beside) == RestsOn.Nothing ? 0 : database.Now().Of(on);
        var text = $"{Program} {piece} {counters} {day} {context.Request.Path}{context.Request.QueryString}";
        return $"W/\"{Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text))[..16])}\"";
    }

    private PieceRow PieceOf(HttpContext context) =>
        long.TryParse(context.Request.RouteValues["id"]?.ToString(), CultureInfo.InvariantCulture, out var id)
            ? desk.Row(id)
            : throw Refusal.NotFound("There is no such piece on the shelf. Open the shelf and choose one.");

    private sealed class Turn
    {
        private int _waiting = 1;

        public SemaphoreSlim Gate { get; } = new(1, 1);

        public Turn Joined()
        {
            Interlocked.Increment(ref _waiting);
            return this;
        }

        public int Left() => Interlocked.Decrement(ref _waiting);
    }
}
