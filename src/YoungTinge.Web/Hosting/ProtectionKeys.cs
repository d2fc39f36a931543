using System.Xml.Linq;
using Microsoft.AspNetCore.DataProtection.Repositories;
using YoungTinge.Store;
using YoungTinge.Store.People;

namespace YoungTinge.Web.Hosting;

/// <summary>Keeps the keys that cookies are sealed with in the database, so that every server over it reads the cookies of the others.</summary>
internal sealed class ProtectionKeys(StudioDatabases databases) : IXmlRepository
{
    public IReadOnlyCollection<XElement> GetAllElements() => [.. new ProtectionKeyStore(databases.Door).All().Select(XElement.Parse)];

    public void StoreElement(XElement element, string friendlyName) => new ProtectionKeyStore(databases.Door).Add(element.ToString(SaveOptions.DisableFormatting));
}
