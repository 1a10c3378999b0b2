namespace Merienda.Core.Planning;

/// <summary>A place on the board: a date, a meal slot and an eater.</summary>
public sealed record Cell(DateOnly Date, string Meal, Guid Eater);

/// <summary>A box of one batch. It is loose until it is placed in a cell.</summary>
/// <param name="Number">Number on the label, unique within the batch, from 1.</param>
/// <param name="Size">How many of the recipe's portions are in it, above zero.</param>
/// <param name="GoneOn">Local date it was eaten or thrown away outside the plan; it is in no cell and nothing can be placed from it.</param>
public sealed record Container(Guid Id, int Number, decimal Size, Cell? Place, DateOnly? GoneOn = null)
{
    public bool IsLoose => Place is null && GoneOn is null;
}
