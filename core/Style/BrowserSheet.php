<?php

declare(strict_types=1);

namespace Insignum\Style;

/** The browser's default sheet: HTML Living Standard, section 15 (Rendering), with the form controls as Chromium has them. */
final class BrowserSheet
{
    public const CSS = <<<'CSS'
    area, base, basefont, datalist, head, link, meta, noembed, noframes, param, rp, script, style, template, title, [hidden]:not([hidden=until-found i]) { display: none; }
    input[type=hidden i] { display: none !important; border: initial !important; padding: initial !important; background-color: initial !important; }
    html, body, address, blockquote, center, dialog, div, figure, figcaption, footer, form, header, hr, legend, listing, main, p, plaintext, pre, dir,
    search, xmp, article, aside, h1, h2, h3, h4, h5, h6, hgroup, nav, section, dd, dl, dt, menu, ol, ul, details, summary, fieldset, optgroup, option, frameset, frame { display: block; }
    summary { list-style-type: disclosure-closed; }
    slot { display: contents; }
    body { margin: 8px; }
    p, blockquote, figure, dl, menu, dir, ol, ul, pre, xmp, listing, plaintext { margin-top: 1em; margin-bottom: 1em; }
    blockquote, figure { margin-left: 40px; margin-right: 40px; }
    dd { margin-left: 40px; }
    ul, ol, menu, dir { padding-left: 40px; list-style-type: disc; }
    ol { list-style-type: decimal; }
    :is(ol, ul, menu) ul { list-style-type: circle; }
    :is(ol, ul, menu) :is(ol, ul, menu) ul { list-style-type: square; }
    :is(ol, ul, menu, dl) :is(ol, ul, menu, dl) { margin-top: 0; margin-bottom: 0; }
    li { display: list-item; text-align: match-parent; }
    h1 { font-size: 2em; margin-top: 0.67em; margin-bottom: 0.67em; font-weight: bold; }
    h2 { font-size: 1.5em; margin-top: 0.83em; margin-bottom: 0.83em; font-weight: bold; }
    h3 { font-size: 1.17em; margin-top: 1em; margin-bottom: 1em; font-weight: bold; }
    h4 { margin-top: 1.33em; margin-bottom: 1.33em; font-weight: bold; }
    h5 { font-size: 0.83em; margin-top: 1.67em; margin-bottom: 1.67em; font-weight: bold; }
    h6 { font-size: 0.67em; margin-top: 2.33em; margin-bottom: 2.33em; font-weight: bold; }
    cite, dfn, em, i, var, address { font-style: italic; }
    b, strong, th { font-weight: bold; }
    strong, b { font-weight: bolder; }
    code, kbd, samp, tt, pre, xmp, listing, plaintext { font-family: monospace; }
    pre, xmp, listing, plaintext { white-space: pre; }
    big { font-size: larger; }
    small { font-size: smaller; }
    sub { vertical-align: sub; font-size: smaller; }
    sup { vertical-align: super; font-size: smaller; }
    ruby { display: ruby; }
    rt { display: ruby-text; font-size: 50%; }
    mark { background-color: mark; color: marktext; }
    abbr[title], acronym[title] { text-decoration: dotted underline; }
    ins, u { text-decoration: underline; }
    del, s, strike { text-decoration: line-through; }
    center { text-align: -webkit-center; }
    a:-webkit-any-link { color: light-dark(#0000ee, #9e9eff); text-decoration: underline; cursor: pointer; }
    a:-webkit-any-link:active { color: light-dark(#ff0000, #ff9e9e); }
    q::before { content: open-quote; }
    q::after { content: close-quote; }
    hr { color: gray; border-style: inset; border-width: 1px; margin: 0.5em auto; overflow: hidden; box-sizing: content-box; }
    img, svg:not(:root), video, canvas, iframe, embed, object { overflow: clip; }
    iframe { border: 2px inset; }
    table { display: table; border-collapse: separate; box-sizing: border-box; text-indent: initial; }
    caption { display: table-caption; text-align: -webkit-center; }
    colgroup { display: table-column-group; }
    col { display: table-column; }
    thead { display: table-header-group; vertical-align: middle; border-color: inherit; }
    tbody { display: table-row-group; vertical-align: middle; border-color: inherit; }
    tfoot { display: table-footer-group; vertical-align: middle; border-color: inherit; }
    tr { display: table-row; vertical-align: inherit; border-color: inherit; }
    td, th { display: table-cell; vertical-align: inherit; padding: 1px; }
    th { text-align: -internal-center; }
    input, textarea, select, button { display: inline-block; margin: 0; color: fieldtext; font: 400 calc(40px / 3) Arial; appearance: auto; letter-spacing: normal; text-transform: none; text-indent: 0; text-shadow: none; text-align: start; }
    input, select, button { line-height: normal; }
    input:is([type=date i], [type=datetime-local i], [type=month i], [type=time i], [type=week i]) { font-family: monospace; }
    textarea { font-family: monospace; white-space: pre-wrap; cursor: text; }
    input, textarea { background-color: field; border: 2px inset light-dark(#767676, #858585); padding: 1px 2px; cursor: text; }
    textarea { border-width: 1px; border-style: solid; padding: 2px; }
    select { background-color: buttonface; border: 1px solid light-dark(#767676, #858585); border-radius: 0; box-sizing: border-box; cursor: default; white-space: pre; }
    button, input:is([type=submit i], [type=reset i], [type=button i]) { background-color: buttonface; color: buttontext; border: 2px outset light-dark(#000000, #ffffff); padding: 1px 6px; text-align: center; cursor: default; box-sizing: border-box; }
    input:is([type=checkbox i], [type=radio i]) { background-color: initial; border: initial; margin: 3px 3px 3px 4px; padding: initial; cursor: default; box-sizing: border-box; appearance: -internal-checkbox; }
    input[type=radio i] { margin: 3px 3px 0 5px; appearance: -internal-radio; }
    input:is([type=hidden i], [type=image i], [type=file i]) { appearance: none; }
    input[type=range i] { border: initial; margin: 2px; padding: initial; cursor: default; color: #9d968e; }
    input[type=color i] { background-color: buttonface; border: 1px solid buttonborder; padding: 1px 2px; cursor: default; }
    input[type=file i] { color: inherit; background-color: initial; border: initial; padding: initial; cursor: default; }
    input[type=image i] { background-color: initial; border: initial; padding: initial; cursor: pointer; }
    input[type=search i] { padding: 1px 2px; box-sizing: border-box; }
    :is(input, textarea, select, button):disabled { cursor: default; color: light-dark(#545454, #aaaaaa); }
    :is(input, textarea):disabled { background-color: light-dark(rgba(239, 239, 239, 0.3), rgba(59, 59, 59, 0.3)); border-color: rgba(118, 118, 118, 0.3); }
    :is(button, input:is([type=submit i], [type=reset i], [type=button i], [type=color i])):disabled { color: light-dark(rgba(16, 16, 16, 0.3), rgba(255, 255, 255, 0.3)); background-color: light-dark(rgba(239, 239, 239, 0.3), rgba(19, 1, 1, 0.3)); border-color: light-dark(rgba(118, 118, 118, 0.3), rgba(195, 195, 195, 0.3)); }
    input[type=range i]:disabled { color: #c5c5c5; }
    input:is([type=checkbox i], [type=radio i], [type=range i], [type=file i]):disabled { background-color: initial; }
    select:is([multiple], [size]:not([size='0'], [size='1'])) { background-color: field; border-radius: 2px; }
    select:disabled { opacity: 0.7; color: graytext; border-color: rgba(118, 118, 118, 0.3); }
    optgroup:disabled, select:disabled optgroup { color: graytext; }
    select:is([multiple], [size]:not([size='0'], [size='1'])) option:checked { background-color: light-dark(#cecece, #545454); color: light-dark(#101010, #ffffff); }
    select:is([multiple], [size]:not([size='0'], [size='1'])):disabled option, select:is([multiple], [size]:not([size='0'], [size='1'])) option:disabled { color: graytext; }
    optgroup { font-weight: bolder; }
    option { font-weight: normal; }
    ::placeholder { color: darkgray; }
    label { cursor: default; }
    legend { padding-left: 2px; padding-right: 2px; }
    fieldset { margin-left: 2px; margin-right: 2px; border: 2px groove buttonface; padding: 0.35em 0.75em 0.625em; }
    meter, progress { appearance: auto; display: inline-block; box-sizing: border-box; vertical-align: -0.2em; }
    dialog { position: absolute; left: 0; right: 0; width: fit-content; height: fit-content; margin: auto; border: solid; padding: 1em; background-color: canvas; color: canvastext; }
    dialog:not([open]) { display: none; }
    [popover] { position: fixed; inset: 0; width: fit-content; height: fit-content; margin: auto; border: solid; padding: 0.25em; overflow: auto; background-color: canvas; color: canvastext; }
    [popover]:not(:popover-open):not(dialog[open]) { display: none; }
    details > summary:first-of-type { display: list-item; }
    details[open] > summary { list-style-type: disclosure-open; }
    audio:not([controls]) { display: none !important; }
    marquee { display: inline-block; overflow: hidden; }
    [dir=rtl i] { direction: rtl; }
    [dir=ltr i] { direction: ltr; }
    noscript { display: inline; }
    math { display: math; }
    math * { display: block math; }
    svg text, svg foreignObject { display: block; }
    svg:not(:root), svg image, svg marker, svg pattern, svg symbol { overflow: hidden; }
    CSS;

    /** What quirks mode adds: HTML 15.3.11. Browsers let tables inherit the text colour, against the letter of it. */
    public const QUIRKS = <<<'CSS'
    table { font-weight: initial; font-style: initial; font-variant: initial; font-size: initial; line-height: initial; white-space: initial; text-align: initial; }
    CSS;
}
