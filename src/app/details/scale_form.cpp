// SPDX-License-Identifier: GPL-3.0-or-later
#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QToolButton>

#include "app/details/drawing_forms.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/drawings_in_view.h"
#include "app/model/tool_id.h"
#include "exchange/cad_drawing.h"
#include "geometry/point.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

const Drawing* present(Workspace& w, DrawingId id) {
    return w.floor() ? find_drawing(*w.floor(), id) : nullptr;
}

void take(Workspace& w, const Drawing& scaled, Point fixed) {
    const FloorId at = w.floor_id();
    const bool with_floor = w.drawings().scales_floor();
    w.edit(tr("Set scale"), [&](Project& p) { set_drawing_scale(p, at, scaled, fixed, with_floor); });
}

QString scale_words(const Drawing& d, LengthUnits units) {
    if (!d.to_scale()) return tr("No scale yet");
    const double m = d.placement.scale;
    switch (d.source.kind) {
        case DrawingKind::pdf:
            return tr("1 : %1 on paper").arg(render::figure(m / metres_per_point(1), 1));
        case DrawingKind::dxf:
            return tr("one unit is %1 mm").arg(render::figure(m * 1000, m < 0.1 ? 2 : 0));
        case DrawingKind::svg:
        case DrawingKind::picture:
            break;
    }
    return units == LengthUnits::metres
               ? render::figure(m * 1000, 2) +
                     (d.source.kind == DrawingKind::svg ? tr(" mm a unit") : tr(" mm a pixel"))
               : render::figure(m / 0.0254, 3) +
                     (d.source.kind == DrawingKind::svg ? tr("″ a unit") : tr("″ a pixel"));
}

void add_length(Form& form, Workspace& w, DrawingId id, std::size_t index) {
    auto* row = form.row(tr("Length %1").arg(index + 1));
    const auto known = [&w, id, index]() -> const KnownLength* {
        const Drawing* d = present(w, id);
        return d && index < d->lengths.size() ? &d->lengths[index] : nullptr;
    };
    form.length_field(
        row, QString("knownLength-%1").arg(index), w.units() == LengthUnits::metres ? "m" : "",
        [known] { return known() ? known()->length_m : 0; },
        [&w, id, index](double v) {
            Drawing d = *present(w, id);
            const Point fixed = d.to_venue(d.lengths.front().a);
            d.lengths[index].length_m = v;
            take(w, scaled_by_lengths(d), fixed);
        },
        {0.001, 100'000});
    auto* off = new QLabel;
    off->setObjectName(QString("disagreement-%1").arg(index));
    off->setFixedWidth(52);
    off->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    row->addWidget(off);
    form.on_refresh([&w, id, off, known] {
        const Drawing* d = present(w, id);
        if (!d || !known()) return;
        const double share =
            (distance(known()->a, known()->b) * d->placement.scale - known()->length_m) / known()->length_m;
        const bool bad = std::abs(share) > scale_tolerance;
        off->setText((share >= 0 ? "+" : "") + render::figure(share * 100, 1) + " %");
        off->setStyleSheet("color: " + (bad ? theme().not_met : theme().muted).name() +
                           (bad ? "; font-weight: 600" : ""));
        off->setToolTip(tr("How much longer it is drawn than it is known to be"));
    });
    auto* remove = new QToolButton;
    remove->setObjectName(QString("dropLength-%1").arg(index));
    remove->setText("×");
    remove->setFixedSize(20, 20);
    remove->setToolTip(tr("Leave this length out"));
    row->addWidget(remove);
    QObject::connect(remove, &QToolButton::clicked, &form, [&w, id, index] {
        Drawing d = *present(w, id);
        const Point fixed = d.to_venue(d.lengths.front().a);
        d.lengths.erase(d.lengths.begin() + static_cast<std::ptrdiff_t>(index));
        take(w, scaled_by_lengths(d), fixed);
    });
}

void add_file_scale(Form& form, Workspace& w, DrawingId id) {
    const Drawing& d = *present(w, id);
    if (d.source.kind == DrawingKind::pdf) {
        form.group(tr("Or by the print"));
        form.number_field(
            form.row(tr("Printed 1 :")), "printedRatio", {}, 1,
            [&w, id] {
                const Drawing* now = present(w, id);
                return now && now->to_scale() ? now->placement.scale / metres_per_point(1) : 0.0;
            },
            [&w, id](double ratio) {
                Drawing now = *present(w, id);
                now.lengths.clear();
                const Point fixed = extent(now).low;
                take(w, rescaled(now, metres_per_point(ratio), fixed, ScaleBy::printed_ratio), fixed);
            },
            {0.1, 100'000});
    } else if (d.source.kind == DrawingKind::dxf) {
        form.group(tr("Or by the drawing's unit"));
        form.choice(
            form.row(tr("One unit is")), "cadUnit",
            {tr("Millimetres"), tr("Centimetres"), tr("Metres"), tr("Inches"), tr("Feet")},
            [&w, id] {
                const Drawing* now = present(w, id);
                for (int i = 0; now && i < 5; ++i)
                    if (std::abs(now->placement.scale / metres(static_cast<CadUnit>(i)) - 1) < 1e-6) return i;
                return -1;
            },
            [&w, id](int i) {
                Drawing now = *present(w, id);
                now.lengths.clear();
                const Point fixed = extent(now).low;
                take(w, rescaled(now, metres(static_cast<CadUnit>(i)), fixed, ScaleBy::file_units), fixed);
            });
    }
}

}  // namespace

Form* scale_form(Workspace& w, QWidget* parent) {
    auto* form = new Form(w, parent);
    form->built_for([&w] {
        const Drawing* d = w.drawings().drawing();
        return QString("%1 %2 %3")
            .arg(d ? d->id.value : 0)
            .arg(d && d->scale_by == ScaleBy::lengths ? d->lengths.size() : 0)
            .arg(w.floor() ? w.floor()->drawings->size() : 0);
    });
    form->group(tr("Scale"));
    const Drawing* drawing = w.drawings().drawing();
    if (!drawing) {
        form->note(tr("This floor has no drawing to scale: drop one on the plan."));
        form->stretch();
        return form;
    }
    const DrawingId id = drawing->id;
    QStringList names;
    std::vector<DrawingId> ids;
    for (const Drawing& d : *w.floor()->drawings) {
        names << QString::fromStdString(d.name);
        ids.push_back(d.id);
    }
    form->choice(
        form->row(tr("Drawing")), "scaledDrawing", names,
        [ids, id] { return static_cast<int>(std::find(ids.begin(), ids.end(), id) - ids.begin()); },
        [&w, ids](int i) { w.drawings().choose(ids[static_cast<std::size_t>(i)]); });
    form->text(tr("Now"), [&w, id] {
        const Drawing* d = present(w, id);
        return d ? scale_words(*d, w.units()) : QString();
    });
    form->choice(
        form->row(tr("By")), "scaleMode", {tr("Known lengths"), tr("A known area"), tr("Check a length")},
        [&w] { return static_cast<int>(w.drawings().scale_mode()); },
        [&w](int i) {
            w.drawings().set_scale_mode(static_cast<ScaleMode>(i));
            w.activity().set_tool(ToolId::select);  // what was begun is dropped
            w.activity().set_tool(ToolId::scale);
        });
    if (!drawing->lengths.empty() && drawing->scale_by == ScaleBy::lengths) {
        form->group(tr("Known lengths"));
        for (std::size_t i = 0; i < drawing->lengths.size(); ++i) add_length(*form, w, id, i);
        form->note(
            drawing->lengths.size() == 1
                ? tr("One length fits exactly, right or wrong: a second one, far away and across, tells.")
                : tr("The scale is their best fit (least squares). Beyond 2 % one of them is wrong, or the "
                     "sheet is distorted."));
    }
    add_file_scale(*form, w, id);
    form->group(tr("What is drawn already"));
    auto* along = new QCheckBox(tr("Scale it with the drawing"));
    along->setObjectName("scaleWithFloor");
    along->setToolTip(tr("Walls, zones and access points of this floor keep their places on the drawing"));
    form->widget(along);
    form->on_refresh([&w, along] { along->setChecked(w.drawings().scales_floor()); });
    QObject::connect(along, &QCheckBox::clicked, form, [&w](bool on) { w.drawings().set_scales_floor(on); });
    form->stretch();
    return form;
}

}  // namespace yemvo::app
