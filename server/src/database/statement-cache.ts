/** Statements kept ready: about as many as the program has texts of SQL. */
const MOST = 300;
/** What reads or writes rows, or bounds a transaction, and leaves the shape of the database as it is. */
const ROWS_ONLY = /^\s*(select|insert|update|delete|with|begin|commit|rollback|savepoint|release)\b/i;

interface Connection<Statement> {
  prepare(sql: string): Statement;
}

/**
 * Lets a connection keep the statements that it has prepared, the latest used ones: preparing one takes longer than running it.
 * Whatever else is prepared, such as a step of a migration, may change what they read, and empties the store.
 */
export function keepStatements<Statement>(connection: Connection<Statement>): void {
  const prepare = connection.prepare.bind(connection);
  const kept = new Map<string, Statement>();
  connection.prepare = (sql) => {
    if (!ROWS_ONLY.test(sql)) {
      kept.clear();
      return prepare(sql);
    }
    const statement = kept.get(sql) ?? prepare(sql);
    // Put last: the first of the map is the one that was not used for longest.
    kept.delete(sql);
    kept.set(sql, statement);
    if (kept.size > MOST) kept.delete(kept.keys().next().value ?? "");
    return statement;
  };
}
