import { landShapes } from '~/core/packages/form';
import { padsOf } from '~/formats/netlist/write';
import type { Construction } from '~/schema/values/construction';
import { partOf } from '~/schema/exchange/si/part';
import type { NewSite } from '~/schema/records/site/site';

type Site = Omit<NewSite, 'polarity'>;
const mm = (value: number): string => value.toFixed(4);

/** A board as IPC-2581 has it (element names from memory): lands by pin and net, holes, an outline, parts with their values. */
export function exchangeOf(
  { length_mm, width_mm, copperLayers }: Construction,
  sites: readonly Site[],
): string {
  const pads = padsOf(sites);
  const sizes = [...new Set(pads.map((pad) => `${mm(pad.width_mm)} ${mm(pad.height_mm)}`))];
  const names = copperLayers.map((_, i) =>
    i === 0 ? 'TOP' : i === copperLayers.length - 1 ? 'BOTTOM' : `IN${i}`,
  );
  const face = (i: number): string => (i === 0 ? 'TOP' : i === names.length - 1 ? 'BOTTOM' : 'INTERNAL');
  const feature = (i: number): string => {
    const here = pads.filter(
      (pad) =>
        pad.hole_mm !== null ||
        (face(i) === 'TOP' ? pad.side === 'top' : face(i) === 'BOTTOM' && pad.side === 'bottom'),
    );
    return [
      `<LayerFeature layerRef="${names[i]!}">`,
      ...here.map((pad) => {
        const id = `S${sizes.indexOf(`${mm(pad.width_mm)} ${mm(pad.height_mm)}`)}`;
        const hole =
          pad.hole_mm !== null && i === 0
            ? `<Hole name="H" diameter="${mm(pad.hole_mm)}" platingStatus="PLATED" x="${mm(pad.x_mm)}" y="${mm(pad.y_mm)}"/>`
            : '';
        return `<Set net="${pad.net}"><Pad padstackDefRef="P"><Location x="${mm(pad.x_mm)}" y="${mm(pad.y_mm)}"/><StandardPrimitiveRef id="${id}"/><PinRef componentRef="${pad.ref}" pin="${pad.pad}"/></Pad>${hole}</Set>`;
      }),
      face(i) === 'TOP'
        ? `<Set net="X"><Features><Polyline><PolyBegin x="5" y="5"/><PolyStepSegment x="15" y="5"/><LineDescRef id="PEN"/></Polyline></Features></Set>`
        : '',
      '</LayerFeature>',
    ].join('\n');
  };
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<IPC-2581 revision="B" xmlns="urn:ipc-2581">',
    '<Content roleRef="Owner"><DictionaryStandard units="MILLIMETER">',
    ...sizes.map(
      (size, i) =>
        `<EntryStandard id="S${i}"><RectCenter width="${size.split(' ')[0]!}" height="${size.split(' ')[1]!}"/></EntryStandard>`,
    ),
    '</DictionaryStandard><DictionaryLineDesc units="MILLIMETER"><EntryLineDesc id="PEN"><LineDesc lineEnd="ROUND" lineWidth="0.5"/></EntryLineDesc></DictionaryLineDesc></Content>',
    '<Ecad name="board"><CadHeader units="MILLIMETER"/><CadData>',
    ...names.map(
      (name, i) => `<Layer name="${name}" layerFunction="SIGNAL" side="${face(i)}" polarity="POSITIVE"/>`,
    ),
    '<Step name="board">',
    `<Profile><Polygon><PolyBegin x="0" y="0"/><PolyStepSegment x="${length_mm}" y="0"/><PolyStepSegment x="${length_mm}" y="${width_mm}"/><PolyStepSegment x="0" y="${width_mm}"/><PolyStepSegment x="0" y="0"/></Polygon></Profile>`,
    ...sites.map((site) => {
      const count = landShapes(partOf(site.package)).length;
      return `<Component refDes="${site.ref}" packageRef="OUTLINE_${count}" part="P-${site.ref}" layerRef="${site.side === 'top' ? 'TOP' : 'BOTTOM'}"><Xform rotation="${site.rotation_deg}"/><Location x="${mm(site.x_mm)}" y="${mm(site.y_mm)}"/></Component>`;
    }),
    ...names.map((_, i) => feature(i)),
    '</Step></CadData></Ecad>',
    '<Bom name="b">',
    ...sites.map(
      (site) =>
        `<BomItem quantity="1"><RefDes name="${site.ref}"/><Characteristics><Textual textualCharacteristicName="VALUE" textualCharacteristicValue="${site.value}"/></Characteristics></BomItem>`,
    ),
    '</Bom></IPC-2581>',
    '',
  ].join('\n');
}
