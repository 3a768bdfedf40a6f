<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use App\Http\Resources\JsonMap;
use OpenApi\Annotations\AdditionalProperties;
use OpenApi\Annotations\Items;
use OpenApi\Annotations\Property;
use OpenApi\Annotations\Schema;
use OpenApi\Context;
use PHPStan\PhpDocParser\Ast\ConstExpr\ConstExprIntegerNode;
use PHPStan\PhpDocParser\Ast\ConstExpr\ConstExprStringNode;
use PHPStan\PhpDocParser\Ast\Type\ArrayShapeNode;
use PHPStan\PhpDocParser\Ast\Type\ConstTypeNode;
use PHPStan\PhpDocParser\Ast\Type\GenericTypeNode;
use PHPStan\PhpDocParser\Ast\Type\IdentifierTypeNode;
use PHPStan\PhpDocParser\Ast\Type\NullableTypeNode;
use PHPStan\PhpDocParser\Ast\Type\TypeNode;
use PHPStan\PhpDocParser\Ast\Type\UnionTypeNode;

/**
 * Makes schemas from PHPDoc types. A type alias whose name ends in “Shape” becomes a component with the rest of the
 * name: `@phpstan-type MediaShape array{…}` is `Media`. A class becomes a component with its public properties. A
 * component that an attribute describes stays as it is.
 */
final class DocblockSchemas
{
    private const SUFFIX = 'Shape';

    private const SCALARS = [
        'string' => 'string', 'non-empty-string' => 'string', 'int' => 'integer', 'float' => 'number',
        'bool' => 'boolean',
    ];

    /** @var array<string, Schema> by name */
    private array $components = [];

    /** @var array<string, class-string> where the type of each component is declared, by its name */
    private array $origins = [];

    /** @param  list<string>  $described  names of components that attributes describe */
    public function __construct(private readonly array $described)
    {
    }

    /** @param  Context  $context  that the schemas are made in */
    public function describe(Schema $schema, TypeNode $type, DocblockReader $in, Context $context): void
    {
        match (true) {
            $type instanceof NullableTypeNode => $this->union($schema, [$type->type], true, $in, $context),
            $type instanceof UnionTypeNode => $this->unionOf($schema, $type, $in, $context),
            $type instanceof ArrayShapeNode => $this->shape($schema, $type, $in, $context),
            $type instanceof GenericTypeNode => $this->generic($schema, $type, $in, $context),
            $type instanceof ConstTypeNode => $this->constants($schema, [$type]),
            $type instanceof IdentifierTypeNode => $this->named($schema, $type->name, $in, $context),
            default => throw new \LogicException("{$in->name()}: JSON has no word for the type {$type}."),
        };
    }

    /** @return list<Schema> all that were referred to */
    public function components(): array
    {
        return array_values($this->components);
    }

    private function unionOf(Schema $schema, UnionTypeNode $union, DocblockReader $in, Context $context): void
    {
        $isNull = fn (TypeNode $one): bool => $one instanceof IdentifierTypeNode && $one->name === 'null';
        $types = array_values(array_filter($union->types, fn (TypeNode $one): bool => ! $isNull($one)));
        $this->union($schema, $types, count($types) < count($union->types), $in, $context);
    }

    /** @param  list<TypeNode>  $types */
    private function union(Schema $schema, array $types, bool $nullable, DocblockReader $in, Context $context): void
    {
        $constants = array_values(array_filter($types, fn (TypeNode $one): bool => $one instanceof ConstTypeNode));
        if (count($types) === 1) {
            $this->describe($schema, $types[0], $in, $context);
        } elseif (count($constants) === count($types)) {
            $this->constants($schema, $constants);
        } else {
            $schema->oneOf = array_map(function (TypeNode $type) use ($schema, $in, $context): Schema {
                $one = new Schema(['_context' => new Context(['nested' => $schema], $context)]);
                $this->describe($one, $type, $in, $context);

                return $one;
            }, $types);
        }
        if ($nullable) {
            $schema->nullable = true;
        }
    }

    /** @param  list<ConstTypeNode>  $constants */
    private function constants(Schema $schema, array $constants): void
    {
        $schema->enum = array_map(fn (ConstTypeNode $one): string|int => match (true) {
            $one->constExpr instanceof ConstExprStringNode => $one->constExpr->value,
            $one->constExpr instanceof ConstExprIntegerNode => (int) $one->constExpr->value,
            default => throw new \LogicException("JSON has no word for the constant {$one}."),
        }, $constants);
        $schema->type = is_int($schema->enum[0]) ? 'integer' : 'string';
    }

    private function shape(Schema $schema, ArrayShapeNode $shape, DocblockReader $in, Context $context): void
    {
        if ($shape->items !== [] && $shape->items[0]->keyName === null) {
            $this->list($schema, $shape->items[0]->valueType, $in, $context);
            $schema->minItems = $schema->maxItems = count($shape->items);

            return;
        }
        $schema->type = 'object';
        $schema->properties = $schema->required = [];
        foreach ($shape->items as $item) {
            $key = $item->keyName instanceof ConstExprStringNode ? $item->keyName->value : (string) $item->keyName;
            $property = new Property(['property' => $key, '_context' => $context]);
            $this->describe($property, $item->valueType, $in, $context);
            $schema->properties[] = $property;
            if (! $item->optional) {
                $schema->required[] = $key;
            }
        }
        if ($shape->sealed) {
            $schema->additionalProperties = false;
        }
    }

    private function generic(Schema $schema, GenericTypeNode $type, DocblockReader $in, Context $context): void
    {
        $name = (string) $type->type;
        $inner = $type->genericTypes[count($type->genericTypes) - 1];
        if ($name === 'value-of' && $inner instanceof IdentifierTypeNode) {
            $this->cases($schema, $in->classOf($inner->name));
        } elseif (in_array($name, ['list', 'non-empty-list'], true)) {
            $this->list($schema, $inner, $in, $context);
        } elseif ($name === 'array' || $in->classOf($name) === JsonMap::class) {
            $schema->type = 'object';
            $schema->additionalProperties = new AdditionalProperties(['_context' => $context]);
            $this->describe($schema->additionalProperties, $inner, $in, $context);
        } else {
            throw new \LogicException("{$in->name()}: JSON has no word for the type {$type}.");
        }
    }

    private function list(Schema $schema, TypeNode $inner, DocblockReader $in, Context $context): void
    {
        $schema->type = 'array';
        $schema->items = new Items(['_context' => $context]);
        $this->describe($schema->items, $inner, $in, $context);
    }

    private function named(Schema $schema, string $name, DocblockReader $in, Context $context): void
    {
        if ($name === 'object') {
            $schema->type = 'object';
            $schema->additionalProperties = true;
        } elseif (isset(self::SCALARS[$name])) {
            $schema->type = self::SCALARS[$name];
        } elseif ($name === 'true' || $name === 'false') {
            $schema->type = 'boolean';
            $schema->enum = [$name === 'true'];
        } elseif ($name !== 'mixed') {
            $alias = $in->alias($name);
            $this->refer($schema, $alias ?? $in->classOf($name), $name, $alias !== null, $context);
        }
    }

    /** @param  class-string  $class  that declares the alias, or that is meant itself */
    private function refer(Schema $schema, string $class, string $name, bool $isAlias, Context $context): void
    {
        if ($isAlias && ! str_ends_with($name, self::SUFFIX)) {
            throw new \LogicException("{$class}: the name of the type {$name} does not end in “".self::SUFFIX.'”.');
        }
        $title = $isAlias ? substr($name, 0, -strlen(self::SUFFIX)) : class_basename($class);
        $schema->ref = "#/components/schemas/{$title}";
        $origin = $this->origins[$title] ??= $class;
        if ($origin !== $class) {
            throw new \LogicException("{$title} is declared by {$origin} and by {$class}.");
        }
        if (isset($this->components[$title]) || in_array($title, $this->described, true)) {
            return;
        }
        $this->components[$title] = $component = new Schema(['schema' => $title, '_context' => $context]);
        $reader = new DocblockReader($class);
        if ($isAlias) {
            $this->describe($component, $reader->aliased($name), $reader, $context);
        } else {
            $this->properties($component, $reader, $context);
        }
    }

    private function properties(Schema $schema, DocblockReader $class, Context $context): void
    {
        $schema->type = 'object';
        $schema->properties = $schema->required = [];
        $schema->additionalProperties = false;
        foreach ($class->properties() as $name => $type) {
            $property = new Property(['property' => $name, '_context' => $context]);
            $this->describe($property, $type, $class, $context);
            $schema->properties[] = $property;
            $schema->required[] = $name;
        }
    }

    /** @param  class-string  $enum */
    private function cases(Schema $schema, string $enum): void
    {
        $schema->type = 'string';
        $schema->enum = array_map(
            fn (mixed $case): string => $case instanceof \BackedEnum
                ? (string) $case->value
                : throw new \LogicException("{$enum} has no values."),
            enum_exists($enum) ? $enum::cases() : [],
        );
    }
}
