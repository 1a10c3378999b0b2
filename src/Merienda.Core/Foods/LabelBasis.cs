namespace Merienda.Core.Foods;

/// <summary>What a declared carbohydrate value holds, by country of label (domain.md section 2).</summary>
public enum LabelBasis
{
    /// <summary>US, Canada: fibre and polyols are in it.</summary>
    Total,

    /// <summary>EU, UK: fibre is out, polyols are in.</summary>
    Available,

    /// <summary>Australia, New Zealand: fibre is out, polyols are out where they are quantified.</summary>
    AvailableWithoutPolyols,
}
