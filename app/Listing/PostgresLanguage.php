<?php

declare(strict_types=1);

namespace App\Listing;

use Illuminate\Support\Facades\DB;
use Wellspring\Core\Text\Language;

/** The site's language as the database knows it, whose search it must agree with. */
final class PostgresLanguage implements Language
{
    /** @var array<string, string> */
    private array $stems = [];

    public function stem(string $word): string
    {
        return $this->stems[$word] ??= $this->ask($word);
    }

    private function ask(string $word): string
    {
        $lexemes = DB::selectOne("select array_to_string(tsvector_to_array(to_tsvector('wellspring', ?)), ' ') as stem", [$word]);

        return is_string($lexemes->stem ?? null) && $lexemes->stem !== '' ? $lexemes->stem : $word;
    }
}
