#include <QAbstractButton>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <algorithm>

#include "app/details/detail_forms.h"
#include "app/shell/theme.h"
#include "render/plan_marks.h"
#include "render/plan_walls.h"
#include "render/text_style.h"

namespace yemvo::app {
namespace {

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
                   render::figure(type_.thickness_m * 1000) + " mm");
        p.setPen(colours.ink);
        p.setFont(render::font(12.5));
        for (std::size_t b = 0; b < band_count(); ++b)
            p.drawText(QRectF(width() - 98 + 32.0 * static_cast<double>(b), 0, 32, height()),
                       Qt::AlignRight | Qt::AlignVCenter,
                       render::figure(loss_db(type_, bands()[b].reference_mhz / 1000), 1));
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

void type_palette(Form* form, Workspace& w, TypeUse use, WallTypeId Workspace::*chosen) {
    form->widget(new TypeHead);
    for (const WallType& t : *w.project().wall_types) {
        if (t.use != use) continue;
        auto* row = new TypeRow(t, form);
        const WallTypeId id = t.id;
        QObject::connect(row, &QAbstractButton::clicked, form, [&w, id, chosen] {
            w.*chosen = id;
            w.kinds_were_changed();
        });
        form->on_refresh([row, &w, id, chosen] { row->setChecked(w.*chosen == id); });
        form->widget(row);
    }
    form->note("Loss in dB for one crossing at square entry.");
}

void wall_height(Form* form, Workspace& w) {
    form->group("Walls drawn next");
    form->choice(
        form->row("Up to"), "nextWallFull", {"The slab above", "A height"},
        [&w] { return w.wall_top_m ? 1 : 0; },
        [&w](int i) {
            w.wall_top_m = i == 0 ? std::optional<double>() : std::optional<double>(1.5);
            w.kinds_were_changed();
        });
    form->length_field(
        form->row("Top"), "nextWallTop", w.units() == LengthUnits::metres ? "m" : "",
        [&w] { return w.wall_top_m.value_or(w.floor()->height_m); },
        [&w](double v) {
            w.wall_top_m = v;
            w.kinds_were_changed();
        },
        0.05, 100);
}

void model_list(Form* form, Workspace& w) {
    QStringList names;
    std::vector<ModelId> ids;
    for (const AccessPointModel& m : *w.project().models) {
        names << QString::fromStdString(m.name);
        ids.push_back(m.id);
    }
    form->choice(
        form->row("Model"), "nextModel", names,
        [&w, ids] { return static_cast<int>(std::find(ids.begin(), ids.end(), w.model_kind) - ids.begin()); },
        [&w, ids](int i) {
            w.model_kind = ids[static_cast<std::size_t>(i)];
            w.kinds_were_changed();
        });
    form->text("Mount", [&w] {
        const AccessPointModel& m = model(w.project(), w.model_kind);
        return QString::fromUtf8(mount_name(m.mount).data()) + ", " +
               QString::fromStdString(format_length(m.mount_height_m, w.units())) + " up";
    });
    for (const RadioModel& r : model(w.project(), w.model_kind).radios)
        for (const RadioBand& b : r.bands)
            form->text(QString::fromStdString(band(b.band).name) + " GHz", [b] {
                return QString("%1 MHz, %2 to %3 dBm, %4 dBi")
                    .arg(b.widest_mhz)
                    .arg(b.power_low_dbm)
                    .arg(b.power_high_dbm)
                    .arg(render::figure(b.antenna.gain_dbi, 1));
            });
}

}  // namespace

Form* kinds_form(Workspace& w, QWidget* parent) {
    auto* form = new Form(w, parent);
    switch (w.tool()) {
        case ToolId::wall:
            form->group("Wall types");
            type_palette(form, w, TypeUse::wall, &Workspace::wall_kind);
            wall_height(form, w);
            break;
        case ToolId::door:
            form->group("Door types");
            type_palette(form, w, TypeUse::door, &Workspace::door_kind);
            break;
        case ToolId::window:
            form->group("Window types");
            type_palette(form, w, TypeUse::window, &Workspace::window_kind);
            break;
        case ToolId::zone:
            form->group("Zones drawn next");
            form->choice(
                form->row("Kind"), "nextZoneKind", zone_kind_names(),
                [&w] { return static_cast<int>(w.zone_kind); },
                [&w](int i) {
                    w.zone_kind = static_cast<ZoneKind>(i);
                    w.kinds_were_changed();
                });
            form->note("Requirements hold in served zones; a floor without any is judged as a whole.");
            break;
        case ToolId::access_point:
            form->group("Access points placed next");
            model_list(form, w);
            break;
        case ToolId::slab_void:
            form->group("Void");
            form->note(
                "An opening through the slab under this floor: an atrium, a stairwell. Rays pass it without "
                "the slab's loss.");
            break;
        case ToolId::select:
        case ToolId::scale:
        case ToolId::align:
        case ToolId::plate:
            break;
    }
    form->stretch();
    return form;
}

}  // namespace yemvo::app
