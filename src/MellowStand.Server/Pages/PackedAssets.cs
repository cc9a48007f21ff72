using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Net.Http.Headers;

namespace MellowStand.Server.Pages;

/// <summary>The built files of the page: named by what they hold, so that a browser keeps them for good, and given as they were packed at
/// the build.</summary>
/// <remarks>A name with a hash never holds anything else: RFC 8246, "immutable".</remarks>
internal sealed class PackedAssets(RequestDelegate next, IWebHostEnvironment host)
{
    private const string Folder = "/assets";
    private const string Packed = ".gz";

    private static readonly FileExtensionContentTypeProvider Types = new();

    /// <summary>Serves static files; put behind this one.</summary>
    public static StaticFileOptions Files { get; } = new() { OnPrepareResponse = Prepare };

    /// <summary>Points a request for a built file to its packed form where the browser takes it.</summary>
    public Task InvokeAsync(HttpContext context)
    {
        var path = context.Request.Path;
        if (
            path.StartsWithSegments(Folder, StringComparison.Ordinal)
            && context.Request.Headers.AcceptEncoding.ToString().Contains("gzip", StringComparison.OrdinalIgnoreCase)
            && host.WebRootFileProvider.GetFileInfo(path + Packed).Exists
        )
        {
            context.Items[typeof(PackedAssets)] = path.Value;
            context.Request.Path = path + Packed;
        }

        return next(context);
    }

    private static void Prepare(StaticFileResponseContext file)
    {
        var (request, response) = (file.Context.Request, file.Context.Response);
        if (!request.Path.StartsWithSegments(Folder, StringComparison.Ordinal))
            return;
        response.Headers.CacheControl = "public, max-age=31536000, immutable";
        response.Headers.Vary = HeaderNames.AcceptEncoding;
        if (file.Context.Items[typeof(PackedAssets)] is not string plain)
            return;
        response.Headers.ContentEncoding = "gzip";
        response.ContentType = Types.TryGetContentType(plain, out var type) ? type : "application/octet-stream";
    }
}
