import { ColourField } from './ColourField';
import { valueOf } from './declarations';
import { short, type Edit } from './edit';
import { Choice, Folded, Length, Row } from './Parts';

/** The text's colour, weight, size, alignment and decoration. */
export function TextRows({ edit }: { edit: Edit }) {
    const { list, picked, tried, set, finding, was } = edit;
    const reading = tried?.readings[0];
    const isMore = ['font-weight', 'font-size', 'text-align', 'text-decoration'].some((name) => valueOf(list, name));
    return (
        <>
            <Row
                label="Text"
                aside={reading ? `contrast ${reading.after.toFixed(1)} : 1` : picked && `was ${short(was('color'))}`}
                problem={finding('color')?.message}
            >
                <ColourField
                    label="Text colour"
                    isText
                    value={valueOf(list, 'color')}
                    invalid={!!finding('color')}
                    onChange={(v) => set('color', v)}
                />
            </Row>
            <Folded title="Weight, size, alignment" isOpen={isMore}>
                <Row label="Weight" problem={finding('font-weight')?.message}>
                    <Choice
                        label="Font weight"
                        value={valueOf(list, 'font-weight')}
                        options={['300', '400', '500', '600', '700', '800']}
                        onChange={(v) => set('font-weight', v)}
                    />
                </Row>
                <Row label="Size" problem={finding('font-size')?.message}>
                    <Length label="Font size" value={valueOf(list, 'font-size')} placeholder="1rem" onChange={(v) => set('font-size', v)} />
                </Row>
                <Row label="Align">
                    <Choice
                        label="Text alignment"
                        value={valueOf(list, 'text-align')}
                        options={['start', 'center', 'end', 'justify']}
                        onChange={(v) => set('text-align', v)}
                    />
                    <Choice
                        label="Text decoration"
                        value={valueOf(list, 'text-decoration')}
                        options={['none', 'underline', 'line-through']}
                        none="decoration as it is"
                        onChange={(v) => set('text-decoration', v)}
                    />
                </Row>
            </Folded>
        </>
    );
}
