<?php

declare(strict_types=1);

namespace Tests\Browser;

/** Checks pages by html-validate, which has the content model of the HTML Living Standard (html.spec.whatwg.org). */
trait ValidatesHtml
{
    /** @param  array<string, string>  $pages  by address */
    private function assertValidHtml(array $pages): void
    {
        $folder = sys_get_temp_dir().'/wellspring-pages-'.bin2hex(random_bytes(6));
        mkdir($folder);
        $names = [];
        foreach (array_keys($pages) as $n => $address) {
            file_put_contents("{$folder}/{$n}.html", $pages[$address]);
            $names[] = "{$n}.html is {$address}";
        }
        try {
            exec('node '.dirname(__DIR__, 2).'/node_modules/.bin/html-validate --config '
                .__DIR__."/html-validate.json --formatter text {$folder} 2>&1", $said, $code);
            $this->assertSame(0, $code, implode("\n", [...array_slice($said, 0, 20), ...array_slice($names, 0, 300)]));
        } finally {
            array_map(unlink(...), glob("{$folder}/*") ?: []);
            rmdir($folder);
        }
    }
}
