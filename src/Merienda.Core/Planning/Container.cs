namespace Merienda.Core.Planning;

/// <summary>A place on the board: a date, a meal slot and an eater.</summary>
public sealed record Cell(DateOnly Date, string Meal, Guid Eater);

/// <summary>A box of one batch. It is loose until it is placed in a cell.</summary>
/// <param name="Number">Number on the label, unique within the batch, from 1.</param>
/// <param name="Size">How many of the recipe's portions are in it, above zero.</param>
public sealed record Container(Guid Id, int Number, decimal Size, Cell? Place);
