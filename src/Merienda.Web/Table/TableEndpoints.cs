namespace Merienda.Web.Table;

/// <summary>The place Table: eaters, protocols, kitchen, how the week goes.</summary>
public static class TableEndpoints
{
    public static void MapTable(this IEndpointRouteBuilder api)
    {
        var table = api.MapGroup("/table").WithTags("Table").RequireAuthorization();
        table.MapEaters();
        table.MapPhases();
        table.MapProtocols();
        table.MapKitchen();
        table.MapRhythm();
    }
}
