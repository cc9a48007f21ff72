using MellowStand.Core.Formats;

namespace MellowStand.Server.Services;

/// <summary>Text from outside, made fit for a title or a label.</summary>
internal static class Names
{
    private const int Longest = 200;

    public static string Clean(string text)
    {
        var plain = string.Join(
            ' ',
            XmlText.Fit(new string([.. text.Where(c => !char.IsControl(c))])).Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)
        );
        if (plain.Length == 0)
            return "untitled";
        return plain.Length <= Longest ? plain : XmlText.Fit(plain[..Longest]);
    }

    public static string? CleanOrNull(string? text) => string.IsNullOrWhiteSpace(text) ? null : Clean(text);

    public static DateOnly Today(this TimeProvider clock) => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
}
