<?php

declare(strict_types=1);

namespace App\Sets;

use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;

/**
 * A ready-made set: types with their taxonomies and a first module, as a folder or a zip file of their files.
 */
final readonly class ReadySet
{
    private const MAX_FILES = 200;

    private const MAX_BYTES = 5_000_000;

    private const NAME = '~^(?:set|(?:types|taxonomies|modules)/[a-z0-9][a-z0-9_.-]*)\.json$~D';

    /**
     * @param  array<string, mixed>  $types  decoded files by their name in the set
     * @param  array<string, mixed>  $taxonomies  decoded files by their name in the set
     * @param  array<string, mixed>  $modules  decoded files by their name in the set
     */
    private function __construct(
        public string $name,
        public string $about,
        public array $types,
        public array $taxonomies,
        public array $modules,
    ) {
    }

    /** @throws Refused */
    public static function fromZip(string $path): self
    {
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw Refused::because('', ProblemCode::NotAZip, 'expected a zip file; this one cannot be read.');
        }
        $files = [];
        $bytes = 0;
        if ($zip->numFiles > self::MAX_FILES) {
            throw Refused::because(
                '',
                ProblemCode::TooMany,
                'expected at most '.self::MAX_FILES." files, found {$zip->numFiles}.",
            );
        }
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $entry = $zip->statIndex($i);
            $name = is_array($entry) ? $entry['name'] : '';
            if (str_ends_with($name, '/')) {
                continue;
            }
            $bytes += is_array($entry) ? $entry['size'] : 0;
            if ($bytes > self::MAX_BYTES) {
                throw Refused::because($name, ProblemCode::TooLarge, 'expected a set of at most 5 MB.');
            }
            $files[$name] = (string) $zip->getFromIndex($i, self::MAX_BYTES);
        }
        $zip->close();

        return self::of($files);
    }

    /** @throws Refused */
    public static function fromFolder(string $path): self
    {
        $files = [];
        foreach (['set.json', 'types/*.json', 'taxonomies/*.json', 'modules/*.json'] as $pattern) {
            foreach (glob("{$path}/{$pattern}") ?: [] as $file) {
                $files[substr($file, strlen($path) + 1)] = (string) file_get_contents($file);
            }
        }

        return self::of($files);
    }

    /** @param  array<string, string>  $files */
    private static function of(array $files): self
    {
        $problems = new Problems;
        $parts = ['types' => [], 'taxonomies' => [], 'modules' => []];
        $about = null;
        foreach ($files as $name => $text) {
            $name = (string) $name;
            if (preg_match(self::NAME, $name) !== 1) {
                $problems->add(
                    $name,
                    ProblemCode::UnknownFile,
                    'is not a file of a set; expected set.json, and .json files in types/, taxonomies/ and modules/.',
                );

                continue;
            }
            $data = json_decode($text, true, 64);
            if ($data === null) {
                $problems->add($name, ProblemCode::NotJson, 'is not JSON: '.json_last_error_msg().'.');
            } elseif ($name === 'set.json') {
                $about = new Shape($data, 'set.json', $problems, ['format', 'name', 'about']);
            } else {
                $parts[explode('/', $name)[0]][$name] = $data;
            }
        }
        $about ??= new Shape(null, 'set.json', $problems);
        if ($about->raw('format') !== 1) {
            $about->wrong('format', 'the format number 1', $about->raw('format'));
        }
        $title = $about->text('name');
        $words = $about->has('about') ? $about->text('about') : '';
        $about->noOthers();
        if ($parts['types'] === [] && $parts['taxonomies'] === [] && $parts['modules'] === []) {
            $problems->add('', ProblemCode::Empty, 'the set holds no type, taxonomy or module.');
        }
        $problems->refuseIfAny();

        return new self($title, $words, ...$parts);
    }

    /** @return string the set as a zip file */
    public function toZip(): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'set');
        $zip = new \ZipArchive;
        $zip->open($path, \ZipArchive::OVERWRITE);
        $json = fn (mixed $data): string => json_encode(
            $data,
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        )."\n";
        foreach (['set.json' => [
            'format' => 1,
            'name' => $this->name,
        ] + ($this->about === '' ? [] : ['about' => $this->about])]
            + $this->taxonomies + $this->types + $this->modules as $name => $data) {
            $zip->addFromString($name, $json($data));
        }
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }
}
