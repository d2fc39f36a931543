using Npgsql;
using YoungTinge.Core.Cabinet;

namespace YoungTinge.Store;

/// <summary>What ticks take out of the cabinet, and put back when they are taken back. Stock that is not known stays so.</summary>
internal static class StockLedger
{
    /// <summary>
    /// Holds the jars that ticks will move, all in one order, so that two who tick at once wait for each other rather than block each
    /// other. First thing in a transaction.
    /// </summary>
    /// <param name="tickKeys">Whose takes may be given back.</param>
    /// <param name="materialIds">That may be taken.</param>
    public static async Task HoldAsync(NpgsqlConnection connection, Guid studioId, IReadOnlyList<string> tickKeys, IEnumerable<string> materialIds, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("""
            select from material
            where studio_id = $1 and (id = any ($2) or id in (select material_id from stock_use where studio_id = $1 and tick_key = any ($3)))
            order by id
            for no key update
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<string[]> { TypedValue = [.. materialIds.Distinct()] });
        command.Parameters.Add(new NpgsqlParameter<string[]> { TypedValue = [.. tickKeys] });
        await command.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>Takes as much as there is, within the caller's transaction. A stock never goes below nothing.</summary>
    public static async Task TakeAsync(
        NpgsqlConnection connection, Guid studioId, string tickKey, IEnumerable<MaterialTake> takes, Materials materials, CancellationToken cancel)
    {
        var sums = takes.GroupBy(take => take.MaterialId).Select(group => (Id: group.Key, Amount: group.Sum(take => take.Amount)))
            .Where(sum => sum.Amount > 0);
        foreach (var (id, amount) in sums)
        {
            if (materials.Find(id) is not { } material)
                continue;
            var (column, measure) = ColumnOf(material.Measure);
            await using var command = new NpgsqlCommand($"""
                with was as (
                    select id, {column} as stock from material where studio_id = $1 and id = $2 and {column} > 0 for update
                ), now as (
                    update material m set {column} = greatest(0, was.stock - $3), version = m.version + 1
                    from was
                    where m.studio_id = $1 and m.id = was.id
                    returning m.id, was.stock - m.{column} as amount
                )
                insert into stock_use (studio_id, tick_key, material_id, measure, amount)
                select $1, $4, now.id, '{measure}', now.amount from now where now.amount > 0
                on conflict (studio_id, tick_key, material_id) do update set amount = stock_use.amount + excluded.amount
                """, connection);
            command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
            command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = id });
            command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = amount });
            command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = tickKey });
            await command.ExecuteNonQueryAsync(cancel);
        }
    }

    public static async Task GiveBackAsync(NpgsqlConnection connection, Guid studioId, string tickKey, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("""
            with given as (
                delete from stock_use where studio_id = $1 and tick_key = $2 returning material_id, measure, amount
            )
            update material m
            set stock_g = m.stock_g + case given.measure when 'g' then given.amount else 0 end,
                stock_ml = m.stock_ml + case given.measure when 'ml' then given.amount else 0 end,
                stock_pieces = m.stock_pieces + case given.measure when 'pieces' then given.amount else 0 end,
                version = m.version + 1
            from given
            where m.studio_id = $1 and m.id = given.material_id
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = tickKey });
        await command.ExecuteNonQueryAsync(cancel);
    }

    private static (string Column, string Word) ColumnOf(Measure measure) => measure switch
    {
        Measure.Grams => ("stock_g", "g"),
        Measure.Millilitres => ("stock_ml", "ml"),
        _ => ("stock_pieces", "pieces"),
    };
}
