using System.Security.Cryptography;
using Microsoft.AspNetCore.DataProtection;

namespace Merienda.Web.Mail;

/// <summary>Encrypts what a mail's link carries, with the keys that sign people in.</summary>
public sealed class MailSeal(IDataProtectionProvider protection)
{
    private readonly IDataProtector _paths = protection.CreateProtector("mail.path"),
        _readers = protection.CreateProtector("mail.reader");

    public string Seal(string path) => _paths.Protect(path);

    /// <summary>Where a mail's link leads; null when its key is gone.</summary>
    public string? Open(string sealedPath) => Unprotect(_paths, sealedPath);

    /// <summary>Names an account to itself, in the link that ends its mails.</summary>
    public string TokenOf(Guid account) => _readers.Protect($"{account}");

    /// <summary>The account of such a link; null when nobody was sent it.</summary>
    public Guid? AccountOf(string token) => Guid.TryParse(Unprotect(_readers, token), out var account) ? account : null;

    private static string? Unprotect(IDataProtector protector, string text)
    {
        try
        {
            return protector.Unprotect(text);
        }
        catch (CryptographicException)
        {
            return null;
        }
    }
}
