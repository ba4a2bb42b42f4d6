<?php

declare(strict_types=1);

// ./rung bench: fills the practice with copies of its longest case, with their history or without.
// php support/bench/crowd.php COPIES [history]

$count = (int) ($argv[1] ?? 150);
$db = new PDO(
    sprintf('pgsql:host=%s;port=%s;dbname=%s', getenv('DB_HOST'), getenv('DB_PORT'), getenv('DB_DATABASE')),
    (string) getenv('DB_USERNAME'),
    (string) getenv('DB_PASSWORD'),
);
$db->setAttribute(PDO::ATTR_ERRMODE, PDO::ERRMODE_EXCEPTION);
$template = (string) $db
    ->query('select case_id from training_sessions group by case_id order by count(*) desc limit 1')
    ->fetchColumn();

/** @param array<string, string> $instead */
$copy = static function (string $table, array $instead, string $where) use ($db): void {
    $columns = $db
        ->query(
            "select quote_ident(column_name) from information_schema.columns where table_name = '$table' order by ordinal_position",
        )
        ->fetchAll(PDO::FETCH_COLUMN);
    $from = array_map(static fn(string $column): string => $instead[$column] ?? $column, $columns);
    $db->exec(
        "insert into $table (" .
            implode(', ', $columns) .
            ') select ' .
            implode(', ', $from) .
            " from $table where $where",
    );
};
$groups = ['stop_review', 'over_twice', 'over', 'silent', 'ready_stage', 'ready_progress', 'stalled', 'on_course'];
$db->beginTransaction();
for ($i = 0; $i < $count; $i++) {
    [$athlete, $case] = $db->query('select gen_random_uuid(), gen_random_uuid()')->fetch(PDO::FETCH_NUM);
    $rank = $i % count($groups);
    $copy(
        'athletes',
        ['id' => "'$athlete'", 'name' => "'Copy $i of ' || name"],
        "id = (select athlete_id from cases where id = '$template')",
    );
    $copy(
        'cases',
        [
            'id' => "'$case'",
            'athlete_id' => "'$athlete'",
            'attention_rank' => (string) $rank,
            'attention_group' => "'$groups[$rank]'",
            'opened_on' => 'opened_on + ' . $i % 40,
        ],
        "id = '$template'",
    );
    if (($argv[2] ?? '') === 'history') {
        foreach (
            ['plan_versions', 'stage_entries', 'training_sessions', 'check_ins', 'tests', 'dose_changes', 'decisions']
            as $table
        ) {
            $copy(
                $table,
                ['id' => 'gen_random_uuid()', 'case_id' => "'$case'", 'planned_id' => 'null', 'undoes' => 'null'],
                "case_id = '$template'",
            );
        }
    }
}
$db->commit();
$db->exec('vacuum analyze');
echo "$count cases more" . (($argv[2] ?? '') === 'history' ? ', each with its history' : '') . "\n";
