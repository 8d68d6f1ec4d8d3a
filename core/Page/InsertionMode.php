<?php

declare(strict_types=1);

namespace Insignum\Page;

/** HTML 13.2.4.1. Left out: those for frames, for what is inside `template`, and after the body, whose rules are the same here. */
enum InsertionMode
{
    case Initial;
    case BeforeHtml;
    case BeforeHead;
    case InHead;
    case InHeadNoscript;
    case AfterHead;
    case InBody;
    case Text;
    case InTable;
    case InCaption;
    case InColumnGroup;
    case InTableBody;
    case InRow;
    case InCell;
    case AfterBody;
}
