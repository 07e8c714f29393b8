// SPDX-License-Identifier: GPL-3.0-or-later
#include <QAbstractButton>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <algorithm>
#include <optional>

#include "app/details/detail_forms.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/next_things.h"
#include "app/model/tool_id.h"
#include "app/plan/tools.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/plan_walls.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "venue/wall_type.h"

namespace yemvo::app {
namespace {

/// With a decimal as long as it fits its column.
QString short_figure(double db) { return render::figure(db, db < 99.95 ? 1 : 0); }

/// A wall type in the palette: sample, name, thickness, loss a band.
class TypeRow : public QAbstractButton {
public:
    TypeRow(const WallType& type, QWidget* parent) : QAbstractButton(parent), type_(type) {
        setCheckable(true);
        setAutoExclusive(true);
        setFixedHeight(35);
        setCursor(Qt::PointingHandCursor);
        setToolTip(QString::fromStdString(type.source));
        setObjectName("type-" + QString::fromStdString(type.key));
    }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        const auto& colours = theme();
        if (isChecked()) {
            p.fillRect(rect(), colours.accent_tint);
            p.fillRect(QRect(0, 0, 3, height()), colours.accent);
        } else if (underMouse()) {
            p.fillRect(rect(), colours.field);
        }
        p.fillRect(QRect(0, height() - 1, width(), 1), colours.line2);
        render::paint_type_sample(p, QRectF(6, 8, 34, 18), type_, colours);
        p.setPen(isChecked() ? colours.accent : colours.ink);
        const QFont name_font = render::font(12.5, isChecked() ? 650 : 500);
        p.setFont(name_font);
        const double room = width() - 46 - 96;
        p.drawText(
            QRectF(46, 2, room, 17), Qt::AlignVCenter,
            QFontMetricsF(name_font).elidedText(QString::fromStdString(type_.name), Qt::ElideRight, room));
        p.setPen(colours.muted);
        p.setFont(render::font(11));
        p.drawText(QRectF(46, 17, room, 15), Qt::AlignVCenter,
                   type_.use == TypeUse::obstacle ? tr("per metre")
                                                  : render::figure(type_.thickness_m * 1000) + " mm");
        p.setPen(colours.ink);
        p.setFont(render::font(12.5));
        for (std::size_t b = 0; b < band_count(); ++b)
            p.drawText(QRectF(width() - 98 + 32.0 * static_cast<double>(b), 0, 32, height()),
                       Qt::AlignRight | Qt::AlignVCenter,
                       short_figure(loss_db(type_, bands()[b].reference_mhz / 1000)));
    }

private:
    WallType type_;
};

class TypeHead : public QWidget {
public:
    TypeHead() { setFixedHeight(18); }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        for (std::size_t b = 0; b < band_count(); ++b) {
            const double right = width() - 98 + 32.0 * static_cast<double>(b) + 32;
            p.setFont(render::font(11));
            p.setPen(theme().muted);
            const QString name = QString::fromStdString(bands()[b].name);
            p.drawText(QRectF(right - 34, 0, 34, 18), Qt::AlignRight | Qt::AlignVCenter, name);
            render::paint_band_glyph(
                p, QPointF(right - QFontMetricsF(render::font(11)).horizontalAdvance(name) - 8, 9),
                bands()[b].id, theme());
        }
    }
};

/// The types of a use, under the heads a builder would look for; the chosen one draws next.
void type_palette(Form* form, Workspace& w, TypeUse use, WallTypeId NextKinds::*chosen) {
    form->widget(new TypeHead);
    std::vector<const WallType*> types;
    for (const WallType& t : *w.project().wall_types)
        if (t.use == use) types.push_back(&t);
    std::stable_sort(types.begin(), types.end(),
                     [](const WallType* a, const WallType* b) { return a->group < b->group; });
    std::optional<TypeGroup> group;
    for (const WallType* t : types) {
        if (!group || *group != t->group) {
            group = t->group;
            form->note(tr_first(group_name(*group)));
        }
        auto* row = new TypeRow(*t, form);
        const WallTypeId id = t->id;
        QObject::connect(row, &QAbstractButton::clicked, form,
                         [&w, id, chosen] { w.next().change([&](NextKinds& n) { n.*chosen = id; }); });
        form->on_refresh([&w, row, id, chosen] { row->setChecked(w.next().kinds().*chosen == id); });
        form->widget(row);
    }
    form->note(use == TypeUse::obstacle ? tr("Loss in dB per metre through it.")
                                        : tr("Loss in dB for one crossing at normal incidence."));
}

void next_length(Form* form, Workspace& w, QHBoxLayout* row, const char* object, double NextKinds::*field,
                 double low_m, double high_m) {
    form->length_field(
        row, object, w.units() == LengthUnits::metres ? "m" : "",
        [&w, field] { return w.next().kinds().*field; },
        [&w, field](double v) { w.next().change([&](NextKinds& n) { n.*field = v; }); }, {low_m, high_m});
}

template <class Enum>
void next_choice(Form* form, Workspace& w, const QString& label, const char* object, const QStringList& names,
                 Enum NextKinds::*field) {
    form->choice(
        form->row(label), object, names, [&w, field] { return static_cast<int>(w.next().kinds().*field); },
        [&w, field](int i) { w.next().change([&](NextKinds& n) { n.*field = static_cast<Enum>(i); }); });
}

/// How walls are drawn: as runs, rectangles, arcs, or along the drawing.
void wall_manner(Form* form, Workspace& w) {
    static constexpr ToolId tools[] = {ToolId::wall, ToolId::wall_rectangle, ToolId::wall_arc,
                                       ToolId::follow};
    form->choice(
        form->row(tr("Draw as")), "wallManner",
        {tr("Run"), tr("Rectangle"), tr("Arc"), tr("Follow the drawing")},
        [&w] {
            return static_cast<int>(std::find(std::begin(tools), std::end(tools), w.activity().tool()) -
                                    std::begin(tools));
        },
        [&w](int i) { w.activity().set_tool(tools[i]); });
    if (w.activity().tool() != ToolId::follow)
        next_choice(form, w, tr("Draw its"), "wallFace",
                    {tr("Centre line"), tr("Left face"), tr("Right face")}, &NextKinds::wall_face);
}

void wall_height(Form* form, Workspace& w) {
    form->group(tr("Walls drawn next"));
    next_length(form, w, form->row(tr("From")), "nextWallBase", &NextKinds::wall_base_m, -20, 100);
    form->choice(
        form->row(tr("Up to")), "nextWallFull", {tr("The slab above"), tr("A height"), tr("The ceiling")},
        [&w] { return w.next()->wall_top_m        ? 1
                      : w.next()->wall_to_ceiling ? 2
                                                  : 0; },
        [&w](int i) {
            w.next().change([&](NextKinds& n) {
                n.wall_top_m = i != 1 ? std::optional<double>() : std::optional<double>(1.5);
                n.wall_to_ceiling = i == 2;
            });
        });
    form->length_field(
        form->row(tr("Top")), "nextWallTop", w.units() == LengthUnits::metres ? "m" : "",
        [&w] { return w.next()->wall_top_m.value_or(w.floor()->height_m); },
        [&w](double v) { w.next().change([&](NextKinds& n) { n.wall_top_m = v; }); }, limits::above_floor_m);
}

/// Drawn, or the room round a click.
void outline_manner(Form* form, Workspace& w) {
    form->choice(
        form->row(tr("Outline")), "outlineManner", {tr("Draw it"), tr("Take the room clicked")},
        [&w] { return w.next()->take_room ? 1 : 0; },
        [&w](int i) { w.next().change([&](NextKinds& n) { n.take_room = i == 1; }); });
    if (w.next()->take_room)
        next_length(form, w, form->row(tr("Bridge gaps to")), "roomGap", &NextKinds::room_gap_m, 0, 3);
}

void obstacle_kinds(Form* form, Workspace& w) {
    form->group(tr("Obstacles drawn next"));
    next_choice(form, w, tr("Kind"), "nextObstacleKind", obstacle_kind_names(), &NextKinds::obstacle_kind);
    next_choice(form, w, tr("Make"), "nextObstacleShape", {tr("One outline"), tr("Rows in a rectangle")},
                &NextKinds::obstacle_shape);
    if (w.next()->obstacle_shape == ObstacleShape::rows) {
        auto* count = form->row(tr("Rows, deep"));
        form->number_field(
            count, "nextRows", "", 0, [&w] { return w.next()->rows.rows; },
            [&w](double v) { w.next().change([&](NextKinds& n) { n.rows.rows = static_cast<int>(v); }); },
            {1, 200});
        form->length_field(
            count, "nextRowDepth", "m", [&w] { return w.next()->rows.depth_m; },
            [&w](double v) { w.next().change([&](NextKinds& n) { n.rows.depth_m = v; }); }, {0.1, 50});
        form->choice(
            form->row(tr("They run")), "nextRowsAlong", {tr("Along the longer side"), tr("Across it")},
            [&w] { return w.next()->rows.along_width ? 0 : 1; },
            [&w](int i) { w.next().change([&](NextKinds& n) { n.rows.along_width = i == 0; }); });
        form->note(tr("The aisles between them share what is left of the rectangle."));
    } else {
        outline_manner(form, w);
    }
    next_length(form, w, form->row(tr("Top")), "nextObstacleTop", &NextKinds::obstacle_top_m, 0.05, 100);
    type_palette(form, w, TypeUse::obstacle, &NextKinds::obstacle_type);
}

void column_kinds(Form* form, Workspace& w) {
    form->group(tr("Columns placed next"));
    form->choice(
        form->row(tr("Shape")), "nextColumnRound", {tr("Square"), tr("Round")},
        [&w] { return w.next()->column_round ? 1 : 0; },
        [&w](int i) { w.next().change([&](NextKinds& n) { n.column_round = i == 1; }); });
    auto* size = form->row(w.next()->column_round ? tr("Diameter") : tr("Size"));
    next_length(form, w, size, "nextColumnWidth", &NextKinds::column_width_m, 0.02, 50);
    if (!w.next()->column_round)
        next_length(form, w, size, "nextColumnDepth", &NextKinds::column_depth_m, 0.02, 50);
    type_palette(form, w, TypeUse::obstacle, &NextKinds::column_type);
}

void ceiling_kinds(Form* form, Workspace& w) {
    form->group(tr("Ceilings drawn next"));
    outline_manner(form, w);
    next_length(form, w, form->row(tr("Height")), "nextCeilingHeight", &NextKinds::ceiling_height_m, 0.5,
                200);
    form->choice(
        form->row(tr("Hung with")), "nextCeilingHung", {tr("Nothing, only lower"), tr("A type")},
        [&w] { return w.next()->ceiling_hung ? 1 : 0; },
        [&w](int i) { w.next().change([&](NextKinds& n) { n.ceiling_hung = i == 1; }); });
    if (w.next()->ceiling_hung) type_palette(form, w, TypeUse::ceiling, &NextKinds::ceiling_type);
}

void shaft_kinds(Form* form, Workspace& w) {
    form->group(tr("Shafts drawn next"));
    form->name_field(
        form->row(tr("Name")), "nextShaftName", [&w] { return QString::fromStdString(w.next()->shaft_name); },
        [&w](const QString& text) {
            w.next().change([&](NextKinds& n) { n.shaft_name = text.toStdString(); });
        });
    form->note(
        tr("Walls round it on this floor and all above, a void in each slab between, and a zone without "
           "service: one group a floor."));
    type_palette(form, w, TypeUse::wall, &NextKinds::shaft_type);
}

void model_list(Form* form, Workspace& w) {
    QStringList names;
    std::vector<ModelId> ids;
    for (const AccessPointModel& m : *w.project().models) {
        names << QString::fromStdString(m.name);
        ids.push_back(m.id);
    }
    form->choice(
        form->row(tr("Model")), "nextModel", names,
        [&w, ids] {
            return static_cast<int>(std::find(ids.begin(), ids.end(), w.next()->model) - ids.begin());
        },
        [&w, ids](int i) {
            w.next().change([&](NextKinds& n) { n.model = ids[static_cast<std::size_t>(i)]; });
        });
    form->text(tr("Mount"), [&w] {
        const AccessPointModel& m = model(w.project(), w.next()->model);
        return tr("%1, %2 up")
            .arg(tr_mark(mount_name(m.mount)), render::local(format_length(m.mount_height_m, w.units())));
    });
    for (const RadioModel& r : model(w.project(), w.next()->model).radios)
        for (const RadioBand& b : r.bands)
            form->text(QString::fromStdString(band(b.band).name) + " GHz", [b] {
                return tr("%1 MHz, %2 to %3 dBm, %4 dBi")
                    .arg(b.widest_mhz)
                    .arg(render::figure(b.power.low_dbm, 0))
                    .arg(render::figure(b.power.high_dbm, 0))
                    .arg(render::figure(b.antenna.gain_dbi, 1));
            });
}

}  // namespace

Form* kinds_form(Workspace& w, QWidget* parent) {
    auto* form = new Form(w, parent);
    form->built_for([&w] {
        const NextKinds& next = w.next().kinds();
        return QString("%1 %2 %3 %4 %5 %6")
            .arg(reinterpret_cast<quintptr>(w.project().wall_types.identity()))
            .arg(static_cast<int>(next.obstacle_shape))
            .arg(next.column_round)
            .arg(next.take_room)
            .arg(next.ceiling_hung)
            .arg(next.model.value);
    });
    switch (w.activity().tool()) {
        case ToolId::wall:
        case ToolId::wall_rectangle:
        case ToolId::wall_arc:
        case ToolId::follow:
            form->group(tr("Walls"));
            wall_manner(form, w);
            type_palette(form, w, TypeUse::wall, &NextKinds::wall_type);
            wall_height(form, w);
            break;
        case ToolId::door:
            form->group(tr("Doors placed next"));
            {
                auto* size = form->row(tr("Size"));
                next_length(form, w, size, "nextDoorWidth", &NextKinds::door_width_m, 0.3, 50);
                next_length(form, w, size, "nextDoorHead", &NextKinds::door_head_m, 0.5, 50);
            }
            form->choice(
                form->row(tr("State")), "nextDoorOpen", {tr("Closed"), tr("Open")},
                [&w] { return w.next()->door_open ? 1 : 0; },
                [&w](int i) { w.next().change([&](NextKinds& n) { n.door_open = i == 1; }); });
            type_palette(form, w, TypeUse::door, &NextKinds::door_type);
            break;
        case ToolId::window:
            form->group(tr("Windows placed next"));
            next_length(form, w, form->row(tr("Width")), "nextWindowWidth", &NextKinds::window_width_m, 0.1,
                        200);
            {
                auto* size = form->row(tr("Sill, head"));
                next_length(form, w, size, "nextWindowSill", &NextKinds::window_sill_m, -5, 50);
                next_length(form, w, size, "nextWindowHead", &NextKinds::window_head_m, 0.1, 50);
            }
            type_palette(form, w, TypeUse::window, &NextKinds::window_type);
            break;
        case ToolId::zone:
            form->group(tr("Zones drawn next"));
            form->choice(
                form->row(tr("Kind")), "nextZoneKind", zone_kind_names(),
                [&w] { return static_cast<int>(w.next()->zone_kind); },
                [&w](int i) {
                    w.next().change([&](NextKinds& n) { n.zone_kind = static_cast<ZoneKind>(i); });
                });
            outline_manner(form, w);
            form->note(tr("Requirements hold in served zones; a floor without any is judged as a whole."));
            break;
        case ToolId::access_point:
            form->group(tr("Access points placed next"));
            model_list(form, w);
            break;
        case ToolId::obstacle:
            obstacle_kinds(form, w);
            break;
        case ToolId::column:
            column_kinds(form, w);
            break;
        case ToolId::ceiling:
            ceiling_kinds(form, w);
            break;
        case ToolId::slab_area:
            form->group(tr("Slab areas drawn next"));
            outline_manner(form, w);
            type_palette(form, w, TypeUse::slab, &NextKinds::slab_type);
            break;
        case ToolId::ramp:
            form->group(tr("Ramps drawn next"));
            form->note(tr("Drag from the foot to the head: it rises by a storey, which Details can change."));
            type_palette(form, w, TypeUse::slab, &NextKinds::ramp_type);
            break;
        case ToolId::shaft:
            shaft_kinds(form, w);
            break;
        case ToolId::split:
            form->group(tr("Split"));
            form->note(
                tr("Click on a wall: it becomes two, with their openings where they were. A closed run is "
                   "opened there."));
            break;
        case ToolId::note:
            form->group(tr("Note"));
            form->note(tr("Click where it belongs; then write it, and add a photo."));
            break;
        case ToolId::slab_void:
            form->group(tr("Void"));
            outline_manner(form, w);
            form->note(tr(
                "An opening through the slab under this floor: an atrium, a stairwell. Rays pass it without "
                "the slab's loss."));
            break;
        case ToolId::probe:
            form->group(tr("Probe"));
            form->note(
                tr("Click where you ask why. The link profile below tells every radio heard there, and what "
                   "each "
                   "thing on the way takes."));
            break;
        case ToolId::select:
        case ToolId::scale:
        case ToolId::align:
        case ToolId::plate:
            break;
        default:  // a kind's own tool says what it does
            form->group(tr(tool_info(w.activity().tool()).name));
            form->note(tr(tool_info(w.activity().tool()).what) + ".");
    }
    form->stretch();
    return form;
}

}  // namespace yemvo::app
