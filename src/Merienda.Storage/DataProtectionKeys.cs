using System.Xml.Linq;
using Dapper;
using Microsoft.AspNetCore.DataProtection.Repositories;
using Npgsql;

namespace Merienda.Storage;

/// <summary>
/// Data protection keys in the database, so that any instance reads any cookie. The framework's interface is synchronous.
/// </summary>
public sealed class DataProtectionKeys(NpgsqlDataSource source) : IXmlRepository
{
    public IReadOnlyCollection<XElement> GetAllElements()
    {
        using var connection = source.OpenConnection();
        return [.. connection.Query<string>("select xml from data_protection_key order by id").Select(XElement.Parse)];
    }

    public void StoreElement(XElement element, string friendlyName)
    {
        using var connection = source.OpenConnection();
        connection.Execute(
            "insert into data_protection_key (friendly_name, xml) values (@friendlyName, @xml)",
            new { friendlyName, xml = element.ToString(SaveOptions.DisableFormatting) }
        );
    }
}
