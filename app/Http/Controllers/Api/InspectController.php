<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Engine\AccountReport;
use App\Engine\AimReport;
use App\Engine\EditReport;
use App\Engine\ElementReport;
use App\Engine\OverrideReport;
use App\Engine\SiteEngine;
use App\Engine\ThemeReport;
use App\Engine\WeighReport;
use App\Http\Controllers\Controller;
use App\Http\Requests\AimRequest;
use App\Http\Requests\DifferencesRequest;
use App\Http\Requests\PickRequest;
use App\Http\Requests\TryRequest;
use App\Models\Site;
use App\Support\Refusal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\SelectorText;
use Insignum\Selector\Wear;

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
        $report = new ElementReport($this->engine($site), $site->sheet(), $site->scope);

        return response()->json($report->of($request->string('page')->toString(), (string) $request->input('path'), $request->condition(), $request->worn()));
    }

    /** The kind of an element in the sections of some tones. */
    public function tones(PickRequest $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $report = new ElementReport($this->engine($site), $site->sheet(), $site->scope);

        return response()->json($report->inTones($request->string('page')->toString(), (string) $request->input('path'), $request->tones()));
    }

    public function try(TryRequest $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $report = new OverrideReport($this->engine($site), $site->sheet(), $site->scope);

        return response()->json([
            ...$report->of($request->override(), $request->condition(), $request->string('shown')->toString(), $request->string('page')->toString(), $request->input('path'), $request->worn(), $request->added(), $request->edited()),
            'id' => $request->override()->id,
        ]);
    }

    /** What takes longer: every width and state, raises with alternatives, and ways out of a spill. */
    public function weigh(TryRequest $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $report = new WeighReport($this->engine($site), $site->sheet(), $site->scope);
        try {
            return response()->json($report->of($request->override(), $request->condition(), $request->worn(), $request->added()));
        } catch (InvalidSelector $error) {
            throw new Refusal('broken-selector', "This selector is broken: {$error->getMessage()}");
        }
    }

    /** Selectors that fit the marks. */
    public function aim(AimRequest $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        try {
            return response()->json((new AimReport($this->engine($site), $site->scope))->of($request->marks(), $request->condition(), $request->worn(), $request->properties()));
        } catch (\InvalidArgumentException $error) {
            throw new Refusal('marks-contradict', $error->getMessage());
        }
    }

    /** Where a selector lands, before it is chosen. */
    public function reach(AimRequest $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        try {
            return response()->json((new AimReport($this->engine($site)))->reach($request->string('selector')->toString(), $request->condition(), $request->worn()));
        } catch (InvalidSelector $error) {
            throw new Refusal('broken-selector', "This selector is broken: {$error->getMessage()}");
        }
    }

    /** The sleeping states of the whole site. */
    public function sleeping(Site $site): JsonResponse
    {
        $this->authorize('view', $site);

        return response()->json($this->engine($site)->sleeping());
    }

    /** A selector with a sleeping state in it, or without it. */
    public function wear(Request $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $data = $request->validate(['selector' => ['required', 'string', 'max:2000'], 'on' => ['required', 'string', 'max:500'], 'part' => ['required', 'string', 'max:200'], 'off' => ['boolean']]);
        $wear = new Wear($data['on'], $data['part']);

        return response()->json(['selector' => ($data['off'] ?? false) ? $wear->outOf($data['selector']) : $wear->into($data['selector'])]);
    }

    /** A selector with a pseudo-element at its end, or without one. */
    public function part(Request $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $data = $request->validate(['selector' => ['required', 'string', 'max:2000'], 'part' => ['nullable', 'string', 'max:40', 'regex:/\A[a-z-]+\z/']]);

        return response()->json(['selector' => SelectorText::withPart($data['selector'], $data['part'] ?? '')]);
    }

    /** Rules of the theme by name, property, value or colour. */
    public function theme(Request $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $query = $request->validate(['q' => ['required', 'string', 'max:200']])['q'];

        return response()->json((new ThemeReport($this->engine($site), $site->scope))->search($query));
    }

    /** Who else uses a custom property of the theme. */
    public function variable(Request $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $data = $request->validate(['name' => ['required', 'string', 'max:200', 'regex:/\A--/'], 'page' => ['required', 'string', 'max:500'], 'path' => ['present', 'nullable', 'string', 'max:500']]);

        return response()->json((new ThemeReport($this->engine($site), $site->scope))->variable($data['name'], $data['page'], $data['path'] ?? ''));
    }

    /** A colour in the terms of the picker, against what is behind it. */
    public function colour(Request $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $data = $request->validate(['value' => ['nullable', 'string', 'max:300'], 'behind' => ['array', 'max:12'], 'behind.*' => ['string', 'max:100'], 'needed' => ['numeric', 'between:1,21'], 'merged' => ['boolean']]);

        return response()->json((new EditReport($this->engine($site)))->colour((string) ($data['value'] ?? ''), array_values($data['behind'] ?? []), (float) ($data['needed'] ?? 4.5), (bool) ($data['merged'] ?? false)));
    }

    /** How an image sits in a box. */
    public function fit(Request $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $data = $request->validate([
            'address' => ['required', 'string', 'max:1000'], 'size' => ['required', 'string', 'max:100'], 'position' => ['required', 'string', 'max:200'], 'repeat' => ['required', 'string', 'max:100'],
            'width' => ['required', 'numeric', 'between:0,20000'], 'height' => ['required', 'numeric', 'between:0,200000'],
            'point' => ['nullable', 'array', 'size:2'], 'point.*' => ['numeric', 'between:0,1'],
        ]);

        return response()->json((new EditReport($this->engine($site)))->fit($data['address'], $data['size'], $data['position'], $data['repeat'], [(float) $data['width'], (float) $data['height']], [(float) ($data['point'][0] ?? 0.5), (float) ($data['point'][1] ?? 0.5)]));
    }

    /** How much of a background is hidden, and by what. */
    public function covered(TryRequest $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);

        return response()->json((new EditReport($this->engine($site)))->covered($request->override(), $site->sheet(), $request->string('page')->toString(), $request->boxes(), $request->condition(), $request->worn()));
    }

    /** Typed CSS as an override, with what is to be said about it. */
    public function css(Request $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $css = (string) ($request->validate(['css' => ['nullable', 'string', 'max:20000']])['css'] ?? '');

        return response()->json((new EditReport($this->engine($site)))->css($css));
    }

    /** The words that typed CSS is completed with. */
    public function vocabulary(Site $site): JsonResponse
    {
        $this->authorize('view', $site);

        return response()->json((new EditReport($this->engine($site)))->vocabulary());
    }

    /** All that the sheet changes: the overrides, and with a page, what changes on it. */
    public function account(Site $site, ?string $page = null): JsonResponse
    {
        $this->authorize('view', $site);
        $engine = $this->engine($site);
        $report = new AccountReport($engine, $site->sheet());
        if ($page !== null && ! isset($engine->pages()[$page])) {
            abort(404);
        }

        return response()->json($page === null ? $report->overview() : $report->page($page));
    }

    /** What is different on the page that is looked at, as it is looked at: with the sheet, and with the override under work where there is one. */
    public function differences(DifferencesRequest $request, Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $engine = $this->engine($site);
        $page = $request->string('page')->toString();
        if (! isset($engine->pages()[$page])) {
            abort(404);
        }
        $sheet = $site->sheet();
        foreach ($request->under() as $override) {
            $sheet = $sheet->with($override);
        }

        return response()->json((new AccountReport($engine, $sheet))->page($page, [$request->viewing()]));
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
