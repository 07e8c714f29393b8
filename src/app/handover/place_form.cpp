// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/handover/place_form.h"

#include "app/forms/form.h"
#include "app/model/workspace.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

struct EarthField {
    const char* label;
    const char* object;
    double GeoAnchor::*value;
    Range range;
    int decimals;
};

const EarthField earth_fields[] = {
    {mark("Latitude"), "siteLatitude", &GeoAnchor::latitude_deg, limits::latitude_deg, 6},
    {mark("Longitude"), "siteLongitude", &GeoAnchor::longitude_deg, limits::longitude_deg, 6},
    {mark("North is at"), "siteBearing", &GeoAnchor::bearing_deg, limits::angle_deg, 2}};

void change_place(Workspace& w, const EarthField& field, const QString& typed) {
    const QString text = typed.trimmed();
    if (text.isEmpty()) {
        w.edit(tr("Forget the site's place on Earth"), [](Project& p) { p.handover.anchor.reset(); });
        return;
    }
    const double value = parse_number(text, field.range.low, field.range.high, "°");
    w.edit(tr("Change the site's place on Earth"), [&](Project& p) {
        if (!p.handover.anchor) p.handover.anchor = GeoAnchor{};
        (*p.handover.anchor).*field.value = value;
    });
}

}  // namespace

Form* place_form(Workspace& w) {
    auto* form = new Form(w);
    form->group(tr("Place on Earth"));
    form->note(tr(
        "Of the site's origin, for GeoJSON: degrees as WGS 84, and where the site's north points, clockwise "
        "from true north."));
    for (const EarthField& field : earth_fields)
        form->words_field(
            form->row(tr(field.label)), field.object,
            [&w, &field] {
                const auto& anchor = w.project().handover.anchor;
                return anchor ? render::figure((*anchor).*field.value, field.decimals) + QStringLiteral("°")
                              : QString();
            },
            [&w, &field](const QString& typed) { change_place(w, field, typed); });
    return form;
}

}  // namespace yemvo::app
