using System.Globalization;

namespace MellowStand.Core.Study.Rules;

/// <summary>The breath that the house allows.</summary>
internal static class Breath
{
    /// <summary>Seconds of playing in one breath.</summary>
    public static double Seconds(StudyContext context) => double.Parse(context.House["breath-seconds"], CultureInfo.InvariantCulture);
}
