<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Engine\ElementReport;
use App\Engine\OverrideReport;
use App\Engine\SiteEngine;
use App\Http\Controllers\Controller;
use App\Http\Requests\PickRequest;
use App\Http\Requests\TryRequest;
use App\Models\Site;
use App\Support\Refusal;
use Illuminate\Http\JsonResponse;

/** Answers about the site that change nothing. */
final class InspectController extends Controller
{
    /**
     * What the core answers with are tens of thousands of values without cycles: looking for some among them, again and again
     * while they grow, costs several times the work itself. All of it is freed with the request.
     */
    public function __construct()
    {
        gc_disable();
    }

    public function pick(PickRequest $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $report = new ElementReport($this->engine($site), $site->sheet());

        return response()->json($report->of($request->string('page')->toString(), (string) $request->input('path'), $request->condition()));
    }

    public function try(TryRequest $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $report = new OverrideReport($this->engine($site), $site->sheet());

        return response()->json([
            ...$report->of($request->override(), $request->condition(), $request->string('shown')->toString(), $request->string('page')->toString(), $request->input('path')),
            'id' => $request->override()->id,
        ]);
    }

    /** The page's elements as the core placed them, for the bridge to compare: tag and number of child elements, in document order. */
    public function tree(Site $site, string $page): JsonResponse
    {
        $this->authorize('view', $site);
        $found = $this->engine($site)->pages()[$page] ?? abort(404);

        return response()->json(array_map(static fn (string $tag, array $children): array => [$tag, count($children)], $found->tags, $found->children));
    }

    private function engine(Site $site): SiteEngine
    {
        return SiteEngine::for($site->snapshot() ?? throw new Refusal('no-snapshot', 'The pages of this site are not read in yet.', 409));
    }
}
