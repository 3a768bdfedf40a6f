<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use PHPStan\PhpDocParser\Ast\PhpDoc\PhpDocNode;
use PHPStan\PhpDocParser\Ast\PhpDoc\PhpDocTextNode;
use PHPStan\PhpDocParser\Ast\PhpDoc\TypeAliasImportTagValueNode;
use PHPStan\PhpDocParser\Ast\PhpDoc\TypeAliasTagValueNode;
use PHPStan\PhpDocParser\Ast\Type\TypeNode;
use PHPStan\PhpDocParser\Lexer\Lexer;
use PHPStan\PhpDocParser\Parser\ConstExprParser;
use PHPStan\PhpDocParser\Parser\PhpDocParser;
use PHPStan\PhpDocParser\Parser\TokenIterator;
use PHPStan\PhpDocParser\Parser\TypeParser;
use PHPStan\PhpDocParser\ParserConfig;

/** Reads the types from the docblocks of one class. */
final readonly class DocblockReader
{
    /** @var \ReflectionClass<object> */
    private \ReflectionClass $reflection;

    /** @param  class-string  $class */
    public function __construct(public string $class)
    {
        $this->reflection = new \ReflectionClass($class);
    }

    public function name(): string
    {
        return $this->reflection->getName();
    }

    /** @return class-string|null the class that declares the type alias; null if no class declares it */
    public function alias(string $name): ?string
    {
        foreach (self::parse($this->reflection->getDocComment())->children as $child) {
            $tag = $child->value ?? null;
            if ($tag instanceof TypeAliasTagValueNode && $tag->alias === $name) {
                return $this->class;
            }
            if (
                $tag instanceof TypeAliasImportTagValueNode
                && ($tag->importedAs ?? $tag->importedAlias) === $name
            ) {
                return $this->classOf((string) $tag->importedFrom);
            }
        }

        return null;
    }

    /** @throws \LogicException where the class declares no such alias */
    public function aliased(string $name): TypeNode
    {
        foreach (self::parse($this->reflection->getDocComment())->children as $child) {
            $tag = $child->value ?? null;
            if ($tag instanceof TypeAliasTagValueNode && $tag->alias === $name) {
                return $tag->type;
            }
        }
        throw new \LogicException("{$this->class} declares no type {$name}.");
    }

    /** @return TypeNode|null what a method says it returns */
    public function returned(string $method): ?TypeNode
    {
        $tags = self::parse($this->reflection->getMethod($method)->getDocComment())->getReturnTagValues();

        return $tags === [] ? null : array_values($tags)[0]->type;
    }

    /** @return string|null the first paragraph of the docblock of a method, or of the class; null where it has none */
    public function summary(?string $method = null): ?string
    {
        $at = $method === null ? $this->reflection : $this->reflection->getMethod($method);
        foreach (self::parse($at->getDocComment())->children as $child) {
            if ($child instanceof PhpDocTextNode && trim($child->text) !== '') {
                return (string) preg_replace('/\s+/', ' ', explode("\n\n", trim($child->text))[0]);
            }
        }

        return null;
    }

    /** @return array<string, TypeNode> of the public properties, by name; as the docblocks say, else as PHP does */
    public function properties(): array
    {
        $types = [];
        $said = [];
        $constructor = $this->reflection->getConstructor();
        $doc = self::parse($constructor === null ? false : $constructor->getDocComment());
        foreach ($doc->getParamTagValues() as $tag) {
            $said[ltrim($tag->parameterName, '$')] = $tag->type;
        }
        foreach ($this->reflection->getProperties(\ReflectionProperty::IS_PUBLIC) as $property) {
            $tags = array_values(self::parse($property->getDocComment())->getVarTagValues());
            $types[$property->getName()] = $tags[0]->type
                ?? $said[$property->getName()]
                ?? self::type((string) $property->getType());
        }

        return $types;
    }

    /**
     * @return class-string as the file's imports and namespace say
     *
     * @throws \LogicException where there is none
     */
    public function classOf(string $name): string
    {
        $code = (string) file_get_contents((string) $this->reflection->getFileName());
        preg_match('/^use ([\w\\\\]+\\\\'.preg_quote($name, '/').');/m', $code, $import);
        foreach ([$import[1] ?? '', $this->reflection->getNamespaceName()."\\{$name}", ltrim($name, '\\')] as $class) {
            if (class_exists($class) || interface_exists($class) || enum_exists($class)) {
                return $class;
            }
        }
        throw new \LogicException("{$this->class}: there is no class or type {$name}.");
    }

    private static function parse(string|false $comment): PhpDocNode
    {
        [$lexer, $parser] = self::parser();

        return $comment === false
            ? new PhpDocNode([])
            : $parser->parse(new TokenIterator($lexer->tokenize($comment)));
    }

    private static function type(string $written): TypeNode
    {
        [$lexer, , $types] = self::parser();

        return $types->parse(new TokenIterator($lexer->tokenize($written)));
    }

    /** @return array{Lexer, PhpDocParser, TypeParser} */
    private static function parser(): array
    {
        $config = new ParserConfig([]);
        $types = new TypeParser($config, $constants = new ConstExprParser($config));

        return [new Lexer($config), new PhpDocParser($config, $types, $constants), $types];
    }
}
