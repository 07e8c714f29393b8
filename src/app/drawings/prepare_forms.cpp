// SPDX-License-Identifier: GPL-3.0-or-later
// The preparation page's right side: where the drawing lies, its scale, its look.
#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QPushButton>
#include <QSlider>
#include <algorithm>

#include "app/drawings/prepare_page.h"
#include "app/drawings/sheet_canvas.h"
#include "app/forms/form.h"
#include "base/number_text.h"
#include "exchange/cad_drawing.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

QStringList unit_names() {
    return {tr("Millimetres"), tr("Centimetres"), tr("Metres"), tr("Inches"), tr("Feet")};
}

bool same_sheet(const DrawingSource& a, const DrawingSource& b) {
    if (a.kind == DrawingKind::dxf || b.kind == DrawingKind::dxf) return a.kind == b.kind;
    const auto near = [](double x, double y) { return std::abs(x - y) <= 0.005 * std::max(x, y); };
    return near(a.sheet.width(), b.sheet.width()) && near(a.sheet.height(), b.sheet.height());
}

}  // namespace

void PreparePage::add_look(Form& form) {
    form.group(tr("Look"));
    auto* turn_row = form.row(tr("Turned"));
    form.number_field(
        turn_row, "prepareTurn", "°", 2, [this] { return drawing_.placement.turn_deg; },
        [this](double v) { set_turn(v); }, {-360, 360});
    for (const double quarter : {90.0, -90.0}) {
        auto* button = new QPushButton(quarter > 0 ? "↺" : "↻");
        button->setObjectName(quarter > 0 ? "quarterLeft" : "quarterRight");
        button->setToolTip(quarter > 0 ? tr("Turn left by 90°") : tr("Turn right by 90°"));
        button->setAccessibleName(button->toolTip());
        button->setFixedWidth(34);
        turn_row->addWidget(button);
        connect(button, &QPushButton::clicked, this,
                [this, quarter] { set_turn(drawing_.placement.turn_deg + quarter); });
    }
    auto* crop_row = form.row(tr("Crop"));
    auto* whole = new QPushButton(tr("Whole sheet"));
    whole->setObjectName("wholeSheet");
    crop_row->addWidget(whole);
    crop_row->addStretch(1);
    connect(whole, &QPushButton::clicked, canvas_, &SheetCanvas::clear_crop);
    const auto slider = [&](const QString& name, const char* object, double value,
                            std::function<void(double)> set) {
        auto* s = new QSlider(Qt::Horizontal);
        s->setObjectName(object);
        s->setRange(0, 100);
        s->setValue(static_cast<int>(std::lround(value * 100)));
        form.row(name)->addWidget(s);
        connect(s, &QSlider::valueChanged, this, [this, set](int v) {
            set(v / 100.0);
            refresh();
        });
    };
    slider(tr("Lighten"), "prepareLighten", drawing_.lighten, [this](double v) { drawing_.lighten = v; });
    auto* invert = new QCheckBox(tr("Light on dark: invert"));
    invert->setObjectName("prepareInvert");
    invert->setChecked(drawing_.inverted);
    form.widget(invert);
    connect(invert, &QCheckBox::toggled, this, [this](bool on) {
        drawing_.inverted = on;
        refresh();
    });
    form.number_field(
        form.row(tr("Opacity")), "prepareOpacity", "%", 0, [this] { return drawing_.opacity * 100; },
        [this](double v) { drawing_.opacity = v / 100; }, {0, 100});
}

std::vector<const Drawing*> PreparePage::alike() const {
    std::vector<const Drawing*> found;
    if (!find_floor(workspace_.project(), task_.floor)) return found;
    for (const Floor& f : building_with(workspace_.project(), task_.floor).floors)
        for (const Drawing& d : *f.drawings)
            if (f.id != task_.floor && d.to_scale() && same_sheet(d.source, file_.source))
                found.push_back(&d);
    std::reverse(found.begin(), found.end());
    return found;
}

void PreparePage::add_scale(Form& form) {
    QStringList floors;
    std::vector<FloorId> ids;
    for (const Floor* f : all_floors(workspace_.project())) {
        floors << QString::fromStdString(floor_title(workspace_.project(), *f));
        ids.push_back(f->id);
    }
    form.group(tr("Place"));
    form.choice(
        form.row(tr("Under")), "prepareFloor", floors,
        [this, ids] {
            return static_cast<int>(std::find(ids.begin(), ids.end(), task_.floor) - ids.begin());
        },
        [this, ids](int i) {
            task_.floor = ids[static_cast<std::size_t>(i)];
            like_ = alike().empty() ? 0 : 1;
            name_button();
            rebuild();
            refresh();
        });
    form.group(tr("Scale"));
    const auto others = alike();
    if (!others.empty()) {
        QStringList names{tr("On its own")};
        for (const Drawing* d : others) names << tr("Same as %1").arg(QString::fromStdString(d->name));
        form.choice(
            form.row(tr("Position")), "prepareLike", names, [this] { return like_; },
            [this](int i) {
                like_ = i;
                refresh();
            });
    }
    if (const CadDrawing* cad = file_.sheet->cad()) {
        QStringList names = unit_names();
        if (unit_ == unit_of_file) names << tr("As the file says");
        form.choice(
            form.row(tr("One unit is")), "prepareUnit", names, [this] { return unit_; },
            [this](int i) {
                unit_ = i;
                refresh();
            });
        form.note(cad->unit_m ? tr("The file itself says so.")
                              : tr("The file does not say its unit: this is a guess from its size. "
                                   "Check the size above."));
    } else if (file_.source.kind == DrawingKind::pdf) {
        auto* row = form.row(tr("Printed 1 :"));
        auto* field = new UnitField({}, this);
        field->setObjectName("prepareRatio");
        field->setPlaceholderText(tr("100, if known"));
        if (ratio_ > 0) field->setText(QString::fromStdString(format_number(ratio_, 2)));
        row->addWidget(field, 1);
        connect(field, &UnitField::confirmed, this, [this, field](const QString& text) {
            try {
                ratio_ =
                    text.trimmed().isEmpty() ? 0 : parse_number(QString(text).remove("1:"), 1, 100'000, "");
                refresh();
            } catch (const Error& fault) {
                field->show_fault(fault_text(fault));
            }
        });
        form.note(
            tr("Holds when the sheet was made at this ratio and not resized. Else leave it open and show a "
               "length you know on the plan."));
    } else {
        form.note(tr("Show a length you know on the plan afterwards."));
    }
}

double PreparePage::metres_per_unit() const {
    const auto others = alike();
    if (like_ > 0 && static_cast<std::size_t>(like_) <= others.size())
        return others[static_cast<std::size_t>(like_ - 1)]->placement.scale;
    if (const CadDrawing* cad = file_.sheet->cad())
        return unit_ == unit_of_file ? *cad->unit_m : metres(static_cast<CadUnit>(unit_));
    if (ratio_ > 0) return metres_per_point(ratio_);
    return 0;
}

}  // namespace yemvo::app
