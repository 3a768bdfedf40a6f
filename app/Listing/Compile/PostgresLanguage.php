<?php

declare(strict_types=1);

namespace App\Listing\Compile;

use Illuminate\Support\Facades\DB;
use Wellspring\Core\Text\Language;

/** The search configuration of the site's language in PostgreSQL. Core must find the same words. */
final class PostgresLanguage implements Language
{
    /** @var array<int|string, string> by word */
    private array $stems = [];

    public function stems(array $words): array
    {
        $this->ask(
            array_values(array_unique(array_filter($words, fn (string $word): bool => ! isset($this->stems[$word])))),
        );

        return array_map(fn (string $word): string => $this->stems[$word], $words);
    }

    /** @param  list<string>  $words  all in one query, however many there are */
    private function ask(array $words): void
    {
        if ($words === []) {
            return;
        }
        $found = DB::select(<<<'SQL'
            select word, array_to_string(tsvector_to_array(to_tsvector('wellspring', word)), ' ') as stem
            from jsonb_array_elements_text(?::jsonb) as word
            SQL, [json_encode($words, JSON_THROW_ON_ERROR)]);
        foreach ($found as $row) {
            $this->stems[$row->word] = $row->stem === '' ? $row->word : $row->stem;
        }
    }
}
