// SPDX-License-Identifier: GPL-3.0-or-later
#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QToolButton>

#include "app/details/drawing_forms.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/drawings_in_view.h"
#include "app/model/tool_id.h"
#include "app/model/wishes.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "venue/wall_type.h"

namespace yemvo::app {
namespace {

QString how_scaled(const Drawing& d, LengthUnits units) {
    if (!d.to_scale()) return tr("No scale yet");
    const Box box = extent(d);
    const auto one = [&](double m) { return render::local(format_length(m, units)); };
    QString by = tr_mark(scale_by_name(d.scale_by));
    if (d.scale_by == ScaleBy::lengths) by = counted("%n known length", "%n known lengths", d.lengths.size());
    if (d.scale_by == ScaleBy::area) by = tr("a known area");
    return tr("%1 × %2, by %3").arg(one(box.width()), one(box.height()), by);
}

/// Changes a copy of a drawing of the floor in view and puts it back, as one edit.
template <class Change>
void change_drawing(Workspace& w, DrawingId id, const QString& label, Change change) {
    const FloorId at = w.floor_id();
    w.edit(label, [&](Project& p) {
        Drawing d = *find_drawing(*find_floor(p, at), id);
        change(d);
        replace_drawing(p, at, d);
    });
}

void add_row(Form& form, Workspace& w, const Drawing& drawing, bool chosen) {
    const DrawingId id = drawing.id;
    auto* row = form.row({});
    auto* eye = new QCheckBox;
    eye->setObjectName(QString("drawingShown-%1").arg(id.value));
    eye->setToolTip(tr("Show or hide this drawing"));
    row->addWidget(eye);
    form.on_refresh([&w, eye, id] {
        const Drawing* d = find_drawing(*w.floor(), id);
        if (d) eye->setChecked(d->shown);
    });
    QObject::connect(eye, &QCheckBox::clicked, &form, [&w, id](bool on) {
        change_drawing(w, id, on ? tr("Show drawing") : tr("Hide drawing"),
                       [&](Drawing& d) { d.shown = on; });
    });
    auto* name = new QPushButton;
    name->setObjectName(QString("drawing-%1").arg(id.value));
    name->setFlat(true);
    name->setStyleSheet(
        QString("QPushButton { text-align: left; border: 0; background: transparent; padding: 0; "
                "font-weight: %1; color: %2; }")
            .arg(chosen ? 600 : 400)
            .arg((chosen ? theme().accent : theme().ink).name()));
    const QString words = QString::fromStdString(drawing.name);
    name->setText(QFontMetrics(render::font(13, chosen ? 600 : 400)).elidedText(words, Qt::ElideMiddle, 186));
    name->setToolTip(words);
    QObject::connect(name, &QPushButton::clicked, &form, [&w, id] { w.drawings().choose(id); });
    row->addWidget(name, 1);
    auto* more = new QToolButton;
    more->setObjectName(QString("drawingMenu-%1").arg(id.value));
    more->setText("⋯");
    more->setFixedSize(24, 22);
    QObject::connect(more, &QToolButton::clicked, &form, [&w, &form, more, id] {
        QMenu menu(&form);
        const FloorId at = w.floor_id();
        menu.addAction(tr("Prepare again…"), [&w, id] { emit w.wishes().prepare_drawing(id); });
        menu.addAction(tr("Newer revision…"), [&w, id] { emit w.wishes().choose_revision(id); });
        menu.addSeparator();
        menu.addAction(tr("Up"), [&w, at, id] {
            w.edit(tr("Raise drawing"), [&](Project& p) { move_drawing(p, at, id, 1); });
        });
        menu.addAction(tr("Down"), [&w, at, id] {
            w.edit(tr("Lower drawing"), [&](Project& p) { move_drawing(p, at, id, -1); });
        });
        menu.addSeparator();
        menu.addAction(tr("Remove"), [&w, at, id] {
            w.edit(tr("Remove drawing"), [&](Project& p) { remove_drawing(p, at, id); });
        });
        menu.exec(more->mapToGlobal(QPoint(0, more->height())));
    });
    row->addWidget(more);
}

void add_comparison(Form& form, Workspace& w, DrawingId id) {
    form.choice(
        form.row(tr("Compare")), "compareRevision",
        {tr("Newer only"), tr("Older only"), tr("Blink"), tr("Differences tinted")},
        [&w, id] {
            return w.drawings().comparison().drawing == id ? static_cast<int>(w.drawings().comparison().show)
                                                           : 0;
        },
        [&w, id](int i) {
            w.drawings().compare({static_cast<Comparison::Show>(i), id});
        });
    auto* row = form.row({});
    auto* done = new QPushButton(tr("Discard older revision"));
    done->setObjectName("forgetOlder");
    row->addWidget(done, 1);
    QObject::connect(done, &QPushButton::clicked, &form, [&w, id] {
        change_drawing(w, id, tr("Forget older revision"), [](Drawing& d) { d.earlier.reset(); });
    });
    auto* back = new QPushButton(tr("Restore older revision"));
    back->setObjectName("backToOlder");
    row->addWidget(back, 1);
    QObject::connect(back, &QPushButton::clicked, &form, [&w, id] {
        change_drawing(w, id, tr("Take older revision"), [](Drawing& d) {
            d.source = d.earlier->source;
            d.crop = d.earlier->crop;
            d.placement = d.earlier->placement;
            d.name = d.source.asset;
            d.earlier.reset();
        });
    });
}

/// A floor with nothing on it yet may begin with its outer size.
void add_outer_size(Form& form, Workspace& w) {
    form.group(tr("Without a drawing"));
    auto* row = form.row(tr("Outer size"));
    auto* width = new UnitField(w.units() == LengthUnits::metres ? "m" : "");
    auto* depth = new UnitField(w.units() == LengthUnits::metres ? "m" : "");
    width->setObjectName("outerWidth");
    depth->setObjectName("outerDepth");
    width->setPlaceholderText(tr("east"));
    depth->setPlaceholderText(tr("north"));
    auto* draw = new QPushButton(tr("Draw"));
    draw->setObjectName("drawOuter");
    draw->setToolTip(tr("Outer walls of this size, measured outside"));
    row->addWidget(width, 1);
    row->addWidget(depth, 1);
    row->addWidget(draw);
    QObject::connect(draw, &QPushButton::clicked, &form, [&w, width, depth] {
        double sides[2] = {0, 0};
        int i = 0;
        for (UnitField* field : {width, depth}) {
            try {
                sides[i++] = parse_length_m(render::plain(field->text()), w.units());
                if (sides[i - 1] < 1 || sides[i - 1] > 2000)
                    throw Error(say("must lie between 1 m and 2 km"));
            } catch (const Error& fault) {
                field->show_fault(fault_text(fault));
                return w.tell(fault_text(fault), true);
            }
        }
        const FloorId at = w.floor_id();
        WallTypeId type = find_type(w.project(), "brick-cavity");
        if (!type) type = first_type(w.project(), TypeUse::wall);
        w.edit(tr("Draw outer walls"), [&](Project& p) { add_outer_walls(p, at, type, sides[0], sides[1]); });
    });
}

}  // namespace

void add_drawings(Form& form, Workspace& w) {
    const Floor& floor = *w.floor();
    form.group(tr("Drawings"));
    if (floor.drawings->empty())
        form.note(tr("None yet: drop a picture, PDF, SVG or DXF on the plan, or paste one."));
    const Drawing* chosen = w.drawings().drawing();
    for (auto d = floor.drawings->rbegin(); d != floor.drawings->rend(); ++d)
        add_row(form, w, *d, chosen && chosen->id == d->id);
    if (chosen) {
        const DrawingId id = chosen->id;
        form.text({},
                  [&w, id] {
                      const Drawing* d = find_drawing(*w.floor(), id);
                      return d ? how_scaled(*d, w.units()) : QString();
                  })
            ->setWordWrap(true);
        form.number_field(
            form.row(tr("Opacity")), "drawingOpacity", "%", 0,
            [&w, id] {
                const Drawing* d = find_drawing(*w.floor(), id);
                return d ? d->opacity * 100 : 0;
            },
            [&w, id](double v) {
                change_drawing(w, id, tr("Fade drawing"), [&](Drawing& d) { d.opacity = v / 100; });
            },
            {0, 100});
        if (chosen->earlier) add_comparison(form, w, id);
    }
    auto* row = form.row({});
    auto* choose = new QPushButton(tr("Choose a drawing…"));
    choose->setObjectName("chooseDrawing");
    QObject::connect(choose, &QPushButton::clicked, &w.wishes(), &Wishes::choose_drawing);
    row->addWidget(choose, 1);
    if (floor.drawings->empty() && floor.walls->empty()) add_outer_size(form, w);
    if (!chosen) return;
    auto* scale = new QPushButton(tr("Scale"));
    scale->setObjectName("scaleDrawing");
    scale->setToolTip(tr("Give the drawing its scale (L)"));
    QObject::connect(scale, &QPushButton::clicked, &form, [&w] { w.activity().set_tool(ToolId::scale); });
    row->addWidget(scale);
}

}  // namespace yemvo::app
