using System.Collections.Concurrent;
using System.Reflection;

namespace MellowStand.Server.Endpoints;

/// <summary>Refuses bodies whose lists hold an entry that is null: the reader of JSON lets them through whatever the types say.</summary>
internal static class WholeBodies
{
    private static readonly ConcurrentDictionary<Type, PropertyInfo[]> Lists = new();

    /// <summary>Checks every body before its handler sees it.</summary>
    public static ValueTask<object?> Check(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        foreach (var body in context.Arguments.Where(a => a?.GetType().Namespace == typeof(WholeBodies).Namespace))
            foreach (var list in Lists.GetOrAdd(body!.GetType(), ListsOf))
                if (list.GetValue(body) is IReadOnlyList<string?> words && words.Contains(null))
                    throw Refusal.BadRequest($"The list \"{list.Name.ToLowerInvariant()}\" holds an entry that is null. Leave it out.");
        return next(context);
    }

    private static PropertyInfo[] ListsOf(Type type) =>
        [.. type.GetProperties().Where(p => typeof(IReadOnlyList<string?>).IsAssignableFrom(p.PropertyType))];
}
