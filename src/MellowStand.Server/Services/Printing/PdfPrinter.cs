using System.IO.Compression;
using MellowStand.Server.Security;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using PuppeteerSharp;
using PuppeteerSharp.Media;

namespace MellowStand.Server.Services;

/// <summary>A page of the front end to print.</summary>
/// <param name="Name">Name of its PDF, without the ending.</param>
/// <param name="Path">Its address on this server, e.g. <c>/piece/1/part/P3?paper=A4</c>.</param>
internal sealed record PageToPrint(string Name, string Path);

/// <summary>Prints pages of the front end as PDF with the browser that is installed beside the server.</summary>
public sealed class PdfPrinter(IServer server)
{
    private const string IsDrawn = "() => document.body.dataset.drawn === 'yes'";
    private const int LongestMilliseconds = 90_000;

    /// <summary>Prints pages one after the other into a zip.</summary>
    /// <param name="pages">The pages.</param>
    /// <param name="cookie">The sign-in of whoever asked, or null in the demo.</param>
    /// <param name="progress">Where to tell how far it is.</param>
    internal async Task<byte[]> Zip(IReadOnlyList<PageToPrint> pages, string? cookie, JobProgress progress)
    {
        var root = Address();
        progress.Report(0, pages.Count, "starting the browser");
        var browser = await Puppeteer.LaunchAsync(Options()).ConfigureAwait(false);
        await using var closing = browser.ConfigureAwait(false);
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (i, page) in pages.Index())
            {
                progress.Report(i, pages.Count, page.Name);
                var pdf = await Print(browser, root, page, cookie).ConfigureAwait(false);
                using var entry = zip.CreateEntry($"{i + 1:00} {page.Name}.pdf").Open();
                await entry.WriteAsync(pdf, progress.Cancelled).ConfigureAwait(false);
            }
        }

        return stream.ToArray();
    }

    private static async Task<byte[]> Print(IBrowser browser, string root, PageToPrint what, string? cookie)
    {
        var page = await browser.NewPageAsync().ConfigureAwait(false);
        await using var closing = page.ConfigureAwait(false);
        if (cookie is not null)
            await page.SetCookieAsync(
                    new CookieParam
                    {
                        Name = SignInCookie.Name,
                        Value = cookie,
                        Url = root,
                        HttpOnly = true,
                    }
                )
                .ConfigureAwait(false);
        await page.GoToAsync(root + what.Path).ConfigureAwait(false);
        await page.WaitForFunctionAsync(IsDrawn, new WaitForFunctionOptions { Timeout = LongestMilliseconds }).ConfigureAwait(false);
        return await page.PdfDataAsync(
                new PdfOptions
                {
                    PreferCSSPageSize = true,
                    PrintBackground = true,
                    MarginOptions = new MarginOptions(),
                }
            )
            .ConfigureAwait(false);
    }

    private static LaunchOptions Options() =>
        new()
        {
            ExecutablePath =
                Browser.Path
                ?? throw Refusal.Conflict(
                    "No Chromium is installed on the server's machine, so it cannot make PDFs. Print all parts from this page instead."
                ),
            Headless = true,
            // The browser opens our own pages only; its sandbox does not run for the super-user.
            Args = Environment.IsPrivilegedProcess ? ["--no-sandbox", "--disable-gpu"] : ["--disable-gpu"],
        };

    private string Address() =>
        server.Features.Get<IServerAddressesFeature>()?.Addresses.FirstOrDefault()?.TrimEnd('/')
        ?? throw Refusal.Conflict("The server has no address of its own to print from.");
}
