import { temporaryDatabase } from '../testing/database';

test('one', async () => {
  const held = await temporaryDatabase();
  const { client } = held.database;
  await client.execute("INSERT INTO project (name, settings) VALUES ('a', '{}')");
  await client
    .execute(
      "INSERT INTO market (code, surface, place, place_name, language, language_name) VALUES ('x','web','p','P','en','E')",
    )
    .catch((e) => console.log(e.message));
  await client.execute(
    "INSERT OR IGNORE INTO keyword (market_id, key, text) VALUES (1,'a','a'),(1,'b','b'),(1,'a','a')",
  );
  await client.execute(
    "INSERT OR IGNORE INTO tracked (project_id, keyword_id, since) VALUES (1,1,'a'),(1,2,'a'),(1,1,'a')",
  );
  await client.execute("INSERT OR IGNORE INTO tracked (project_id, keyword_id, since) VALUES (1,1,'a')");
  await client.execute('DELETE FROM tracked');
  console.log((await client.execute('SELECT * FROM ground_revision')).rows.map((r) => ({ ...r })));
  await held.remove();
});
