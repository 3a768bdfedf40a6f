<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use OpenApi\Analysers\AttributeAnnotationFactory;
use OpenApi\Analysers\ReflectionAnalyser;
use OpenApi\Annotations\OpenApi;
use OpenApi\Generator;
use OpenApi\Processors\CleanUnmerged;
use OpenApi\Processors\MergeIntoComponents;
use OpenApi\Processors\MergeIntoOpenApi;

/**
 * Makes the description of /manage/api (OpenAPI 3.1) from the code: operations from the routes, answers from the types
 * in the controllers' docblocks, which PHPStan checks, request bodies from the rules of the form requests, and
 * attributes for the rest. It needs the development packages.
 */
final class ManageApi
{
    /** @throws \LogicException where an answer has a type that JSON has no word for */
    public static function document(): OpenApi
    {
        $generator = (new Generator)->setVersion(OpenApi::VERSION_3_1_0)
            ->setAnalyser(new ReflectionAnalyser([new AttributeAnnotationFactory]))
            ->setProcessors([
                new MergeIntoOpenApi,
                new FormRequestSchemas,
                new RouteOperations,
                new MergeIntoComponents,
                new CleanUnmerged,
            ]);

        return $generator->generate([app_path('Http/Resources'), app_path('Http/Requests')])
            ?? throw new \LogicException('No description of the API was made.');
    }

    /** @return string the document as it stands in docs/formats */
    public static function json(): string
    {
        $document = json_decode(self::document()->toJson(), flags: JSON_THROW_ON_ERROR);
        assert($document instanceof \stdClass);
        foreach (DefinitionSchemas::components() as $name => $component) {
            $document->components->schemas->{$name} = $component;
        }

        return json_encode(
            $document,
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        )."\n";
    }
}
