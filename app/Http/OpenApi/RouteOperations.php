<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use App\Http\Created;
use App\Http\Requests\ApiRequest;
use App\Http\Requests\TakesFile;
use App\Http\Resources\JsonMap;
use App\Tasks\TaskAnswer;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;
use OpenApi\Analysis;
use OpenApi\Annotations as OA;
use OpenApi\Attributes\Response;
use OpenApi\Attributes\Schema;
use OpenApi\Context;
use OpenApi\Generator;
use PHPStan\PhpDocParser\Ast\Type\GenericTypeNode;
use PHPStan\PhpDocParser\Ast\Type\TypeNode;
use PHPStan\PhpDocParser\Ast\Type\UnionTypeNode;
use Symfony\Component\HttpFoundation\Response as FileResponse;

/** Adds an operation for each route of the API, with the schemas of its answers. */
final class RouteOperations
{
    private const PREFIX = 'manage/api/';

    /** The operation class by HTTP method. */
    private const OPERATIONS = [
        'GET' => OA\Get::class, 'POST' => OA\Post::class, 'PUT' => OA\Put::class, 'DELETE' => OA\Delete::class,
    ];

    private DocblockSchemas $schemas;

    public function __invoke(Analysis $analysis): void
    {
        $context = $analysis->context ?? throw new \LogicException('There is no context to describe the API in.');
        $openapi = $analysis->openapi ?? throw new \LogicException('There is no document to describe the API in.');
        $described = array_filter(
            $analysis->getAnnotationsOfType(Schema::class),
            fn (mixed $schema): bool => $schema instanceof Schema && ! Generator::isDefault($schema->schema),
        );
        $this->schemas = new DocblockSchemas(
            [...array_column($described, 'schema'), ...DefinitionSchemas::names()],
        );
        $paths = $tags = [];
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), self::PREFIX)) {
                $path = '/'.substr($route->uri(), strlen(self::PREFIX));
                $paths[$path] ??= new OA\PathItem(['path' => $path, '_context' => $context]);
                $method = strtolower($route->methods()[0]);
                $paths[$path]->{$method} = $this->operation($route, $path, $context);
                [$class] = self::action($route);
                $tags[$class] ??= new OA\Tag([
                    'name' => self::tag($class),
                    'description' => (new DocblockReader($class))->summary() ?? Generator::UNDEFINED,
                    '_context' => $context,
                ]);
            }
        }
        ksort($paths);
        $openapi->paths = array_values($paths);
        ksort($tags);
        $openapi->tags = array_values($tags);
        foreach ($this->schemas->components() as $component) {
            $analysis->addAnnotation($component, $context);
        }
        // Empty placeholders that ManageApi fills in later: the generator requires every component that is referred to.
        foreach (DefinitionSchemas::names() as $name) {
            $analysis->addAnnotation(new Schema(schema: $name), $context);
        }
    }

    private function operation(Route $route, string $path, Context $context): OA\Operation
    {
        [$class, $method] = self::action($route);
        $reader = new DocblockReader($class);
        $request = self::request($class, $method);
        $operation = new (self::OPERATIONS[$route->methods()[0]])([
            'path' => $path,
            'operationId' => lcfirst(self::tag($class)).ucfirst($method),
            'summary' => $reader->summary($method) ?? Generator::UNDEFINED,
            'tags' => [self::tag($class)],
            'parameters' => self::parameters($route, $context),
            'responses' => [],
            '_context' => $context,
        ]);
        if ($request !== null && $route->methods()[0] === 'GET') {
            array_push($operation->parameters, ...FormRequestSchemas::query($request, $context));
        } elseif ($request !== null) {
            $operation->requestBody = self::body($request, $context);
        }
        foreach ($this->answers($reader, $method) as $status => $type) {
            $operation->responses[] = $this->response((string) $status, $type, $reader, $context);
        }
        foreach ((new \ReflectionMethod($class, $method))->getAttributes(Response::class) as $attribute) {
            $operation->responses[] = $attribute->newInstance();
        }
        $operation->responses[] = self::refusal($context);

        return $operation;
    }

    /**
     * @return array<int, TypeNode|null> the types of the answers by status; null: a file
     *
     * @throws \LogicException where the method does not say what it answers
     */
    private function answers(DocblockReader $reader, string $method): array
    {
        $native = (string) (new \ReflectionMethod($reader->class, $method))->getReturnType();
        $type = $reader->returned($method);
        if (in_array($native, ['array', JsonMap::class], true) && $type !== null) {
            return [200 => $type];
        }
        $answers = [];
        foreach ($type instanceof UnionTypeNode ? $type->types : [$type] as $one) {
            if ($one instanceof GenericTypeNode) {
                $answers += match ($reader->classOf((string) $one->type)) {
                    Created::class => [201 => $one->genericTypes[0]],
                    TaskAnswer::class => [
                        200 => $one->genericTypes[0],
                        202 => (new DocblockReader(TaskAnswer::class))->aliased('WaitingShape'),
                    ],
                    default => [],
                };
            }
        }
        if ($answers === [] && is_a($native, FileResponse::class, true)) {
            return [200 => null];
        }

        return $answers !== []
            ? $answers
            : throw new \LogicException("{$reader->class}::{$method} does not say what it answers.");
    }

    private function response(string $status, ?TypeNode $type, DocblockReader $reader, Context $context): OA\Response
    {
        $says = ['200' => 'Done.', '201' => 'Made.', '202' => 'Under way; GET /tasks/{task} has the answer later.'];
        $media = new OA\MediaType([
            'mediaType' => $type === null ? 'application/octet-stream' : 'application/json', '_context' => $context,
        ]);
        $media->schema = new OA\Schema(['_context' => $context]);
        if ($type === null) {
            $media->schema->type = 'string';
            $media->schema->format = 'binary';
        } else {
            $in = $status === '202' ? new DocblockReader(TaskAnswer::class) : $reader;
            $this->schemas->describe($media->schema, $type, $in, $context);
        }

        return new OA\Response([
            'response' => $status,
            'description' => $says[$status],
            'content' => [$media->mediaType => $media],
            '_context' => $context,
        ]);
    }

    private static function refusal(Context $context): OA\Response
    {
        $schema = new OA\Schema(['ref' => '#/components/schemas/Refusal', '_context' => $context]);
        $media = new OA\MediaType(['mediaType' => 'application/json', 'schema' => $schema, '_context' => $context]);

        return new OA\Response([
            'response' => 'default',
            'description' => 'Refused; nothing was written.',
            'content' => [$media->mediaType => $media],
            '_context' => $context,
        ]);
    }

    /** @param  class-string<ApiRequest>  $request */
    private static function body(string $request, Context $context): OA\RequestBody
    {
        $media = new OA\MediaType([
            'mediaType' => is_subclass_of($request, TakesFile::class) ? 'multipart/form-data' : 'application/json',
            'schema' => new OA\Schema([
                'ref' => '#/components/schemas/'.class_basename($request),
                '_context' => $context,
            ]),
            '_context' => $context,
        ]);

        return new OA\RequestBody([
            'required' => true,
            'content' => [$media->mediaType => $media],
            '_context' => $context,
        ]);
    }

    /** @return list<OA\Parameter> of the path */
    private static function parameters(Route $route, Context $context): array
    {
        $numbers = Routes::getPatterns();

        return array_map(fn (string $name): OA\Parameter => new OA\PathParameter([
            'name' => $name,
            'required' => true,
            'schema' => new OA\Schema([
                'type' => isset($numbers[$name]) ? 'integer' : 'string',
                '_context' => $context,
            ]),
            '_context' => $context,
        ]), array_values($route->parameterNames()));
    }

    /** @param  class-string  $controller */
    private static function tag(string $controller): string
    {
        return str_replace('Controller', '', class_basename($controller));
    }

    /** @return array{class-string, string} */
    private static function action(Route $route): array
    {
        [$class, $method] = explode('@', $route->getActionName().'@');
        if (! class_exists($class)) {
            throw new \LogicException("{$route->uri()} is answered by no controller.");
        }

        return [$class, $method === '' ? '__invoke' : $method];
    }

    /**
     * @param  class-string  $class
     * @return class-string<ApiRequest>|null
     */
    private static function request(string $class, string $method): ?string
    {
        foreach ((new \ReflectionMethod($class, $method))->getParameters() as $parameter) {
            $type = $parameter->getType();
            $name = $type instanceof \ReflectionNamedType ? $type->getName() : '';
            if (is_subclass_of($name, ApiRequest::class)) {
                return $name;
            }
        }

        return null;
    }
}
