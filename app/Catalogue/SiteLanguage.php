<?php

declare(strict_types=1);

namespace App\Catalogue;

use Illuminate\Support\Facades\DB;

/** The language that PostgreSQL uses to sort and search text. */
final class SiteLanguage
{
    /** The stemmers of PostgreSQL (snowballstem.org) by primary language; other languages have none. */
    private const STEMMERS = [
        'ar' => 'arabic', 'ca' => 'catalan', 'da' => 'danish', 'de' => 'german', 'el' => 'greek', 'en' => 'english',
        'es' => 'spanish', 'eu' => 'basque', 'fi' => 'finnish', 'fr' => 'french', 'ga' => 'irish', 'hi' => 'hindi',
        'hu' => 'hungarian', 'hy' => 'armenian', 'id' => 'indonesian', 'it' => 'italian', 'lt' => 'lithuanian',
        'nb' => 'norwegian', 'ne' => 'nepali', 'nl' => 'dutch', 'no' => 'norwegian', 'pt' => 'portuguese',
        'ro' => 'romanian', 'ru' => 'russian', 'sr' => 'serbian', 'sv' => 'swedish', 'ta' => 'tamil',
        'tr' => 'turkish', 'yi' => 'yiddish',
    ];

    /**
     * Makes PostgreSQL sort and search all text by the locale. If it used another one, indexes are rebuilt, and with
     * another stemmer also the words of every item. With many items this takes minutes, during which items can be read
     * but not written.
     *
     * @param  string  $locale  as ICU knows it
     */
    public static function use(string $locale): void
    {
        $now = DB::selectOne(<<<'SQL'
            select
                (select colliculocale from pg_collation where collname = 'wellspring_text') as locale,
                (select substring(dictinitoption from 'language = ''([a-z]+)''') from pg_ts_dict
                    where dictname = 'wellspring_words') as stemmer
            SQL);
        if ($now?->locale !== "{$locale}-u-kn-true") {
            DB::select('select set_text_order(?)', [$locale]);
        }
        $stemmer = self::STEMMERS[\Locale::getPrimaryLanguage($locale)] ?? null;
        if ($now?->stemmer !== $stemmer) {
            DB::select('select set_text_search(?)', [$stemmer]);
        }
    }
}
