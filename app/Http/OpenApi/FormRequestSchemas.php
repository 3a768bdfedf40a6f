<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use App\Http\Requests\ApiRequest;
use OpenApi\Analysis;
use OpenApi\Annotations as OA;
use OpenApi\Attributes;
use OpenApi\Context;
use OpenApi\Generator;

/**
 * Adds the properties of its rules to the schema of each form request. A property that the request's own attribute
 * describes stays as it is.
 */
final class FormRequestSchemas
{
    /** The JSON type that a rule requires. */
    private const TYPES = [
        'string' => 'string', 'email' => 'string', 'regex' => 'string', 'date_format' => 'string', 'file' => 'string',
        'in' => 'string', 'integer' => 'integer', 'numeric' => 'number', 'boolean' => 'boolean', 'array' => 'object',
    ];

    /** The JSON Schema keyword of a rule's limit, by type. */
    private const BOUNDS = [
        'min string' => 'minLength', 'max string' => 'maxLength',
        'min integer' => 'minimum', 'min number' => 'minimum',
        'max integer' => 'maximum', 'max number' => 'maximum',
        'min array' => 'minItems', 'max array' => 'maxItems',
    ];

    public function __invoke(Analysis $analysis): void
    {
        foreach ($analysis->getAnnotationsOfType(Attributes\Schema::class) as $schema) {
            $context = $schema instanceof OA\Schema ? $schema->_context : null;
            $class = $context === null || $context->is('nested') ? '' : "{$context->namespace}\\{$context->class}";
            if ($schema instanceof OA\Schema && $context !== null && is_subclass_of($class, ApiRequest::class)) {
                $schema->schema = Generator::isDefault($schema->schema) ? class_basename($class) : $schema->schema;
                $own = Generator::isDefault($schema->properties) ? [] : $schema->properties;
                self::fill($schema, RuleNode::of($class), $context);
                $described = array_column($own, null, 'property');
                $schema->properties = array_map(
                    fn (OA\Property $property): OA\Property => $described[$property->property] ?? $property,
                    $schema->properties,
                );
            }
        }
    }

    /**
     * @param  class-string<ApiRequest>  $request
     * @return list<OA\Parameter>
     */
    public static function query(string $request, Context $context): array
    {
        $parameters = [];
        foreach (RuleNode::of($request)->below as $name => $node) {
            $schema = new OA\Schema(['_context' => $context]);
            self::describe($schema, $node, $context);
            $parameters[] = new OA\QueryParameter([
                'name' => $schema->type === 'array' ? "{$name}[]" : $name,
                'required' => $node->isRequired(),
                'schema' => $schema,
                '_context' => $context,
            ]);
        }

        return $parameters;
    }

    private static function fill(OA\Schema $schema, RuleNode $node, Context $context): void
    {
        $schema->type = 'object';
        $schema->properties = $required = [];
        foreach ($node->below as $name => $below) {
            $property = new OA\Property(['property' => $name, '_context' => $context]);
            self::describe($property, $below, $context);
            $schema->properties[] = $property;
            if ($below->isRequired()) {
                $required[] = $name;
            }
        }
        if ($required !== []) {
            $schema->required = $required;
        }
    }

    private static function describe(OA\Schema $schema, RuleNode $node, Context $context): void
    {
        foreach ($node->split() as [$rule, $value]) {
            $schema->type = self::TYPES[$rule] ?? $schema->type;
            if ($rule === 'in') {
                $schema->enum = explode(',', $value);
            }
        }
        $each = $node->below['*'] ?? null;
        if ($each !== null) {
            $schema->type = 'array';
            $schema->items = new OA\Items(['_context' => $context]);
            self::describe($schema->items, $each, $context);
        } elseif ($node->below !== []) {
            self::fill($schema, $node, $context);
        } elseif ($schema->type === 'object') {
            $schema->additionalProperties = true;
        }
        if ($node->has('nullable') && ! Generator::isDefault($schema->type)) {
            $schema->nullable = true;
        }
        self::limit($schema, $node);
    }

    private static function limit(OA\Schema $schema, RuleNode $node): void
    {
        foreach ($node->split() as [$rule, $value]) {
            $bound = self::BOUNDS["{$rule} {$schema->type}"] ?? null;
            if ($bound !== null) {
                $schema->{$bound} = (int) $value;
            }
            if ($rule === 'size' && $schema->type === 'array') {
                $schema->minItems = $schema->maxItems = (int) $value;
            }
        }
    }
}
