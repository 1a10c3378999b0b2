using System.Collections;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;

namespace Merienda.Formats;

/// <summary>
/// Refuses a null in a list or among named values whose type has none: the serializer looks at members only, not at what lists hold.
/// </summary>
public static class NullFreeLists
{
    /// <summary>To be added to the modifiers of a type resolver.</summary>
    public static void Hold(JsonTypeInfo type)
    {
        if (
            type.Kind != JsonTypeInfoKind.Object
            || type.Type.Assembly.GetName().Name?.StartsWith("Merienda", StringComparison.Ordinal) != true
        )
        {
            return;
        }

        var lists = type
            .Properties.Where(property => property.Get is not null && property.AttributeProvider is PropertyInfo info && HoldsNoNull(info))
            .ToList();
        if (lists.Count > 0)
        {
            type.OnDeserialized += read => Refuse(lists, read);
        }
    }

    /// <exception cref="JsonException">One of them holds a null; the message names it as the serializer names a member.</exception>
    private static void Refuse(List<JsonPropertyInfo> lists, object read)
    {
        foreach (var list in lists)
        {
            var held = list.Get!(read) switch
            {
                IDictionary named => named.Values,
                var other => other as IEnumerable,
            };
            if (held?.Cast<object?>().Contains(null) == true)
            {
                throw new JsonException($"The parameter '{list.Name}' holds a null.");
            }
        }
    }

    private static bool HoldsNoNull(PropertyInfo info) =>
        info.PropertyType != typeof(string)
        && info.PropertyType.IsAssignableTo(typeof(IEnumerable))
        && Held(new NullabilityInfoContext().Create(info)) is { Type.IsValueType: false, ReadState: NullabilityState.NotNull };

    private static NullabilityInfo? Held(NullabilityInfo of) => of.ElementType ?? of.GenericTypeArguments.LastOrDefault();
}
