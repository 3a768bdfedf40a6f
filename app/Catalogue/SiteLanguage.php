<?php

declare(strict_types=1);

namespace App\Catalogue;

use Illuminate\Support\Facades\DB;

/** The language in which the database orders and searches text. */
final class SiteLanguage
{
    /** The stemmers of PostgreSQL (snowballstem.org), by primary language; every other language is searched by word. */
    private const STEMMERS = [
        'ar' => 'arabic', 'ca' => 'catalan', 'da' => 'danish', 'de' => 'german', 'el' => 'greek', 'en' => 'english',
        'es' => 'spanish', 'eu' => 'basque', 'fi' => 'finnish', 'fr' => 'french', 'ga' => 'irish', 'hi' => 'hindi',
        'hu' => 'hungarian', 'hy' => 'armenian', 'id' => 'indonesian', 'it' => 'italian', 'lt' => 'lithuanian',
        'nb' => 'norwegian', 'ne' => 'nepali', 'nl' => 'dutch', 'no' => 'norwegian', 'pt' => 'portuguese',
        'ro' => 'romanian', 'ru' => 'russian', 'sr' => 'serbian', 'sv' => 'swedish', 'ta' => 'tamil',
        'tr' => 'turkish', 'yi' => 'yiddish',
    ];

    /**
     * Orders and searches all text as the locale does. Where the database did so otherwise, indexes are made anew, and,
     * for another stemmer, the words of every item: with many items it takes minutes, and items can be read but not
     * written meanwhile.
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
