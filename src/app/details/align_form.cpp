// SPDX-License-Identifier: GPL-3.0-or-later
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QToolButton>
#include <algorithm>

#include "app/details/drawing_forms.h"
#include "app/forms/form_parts.h"
#include "app/look/theme.h"
#include "app/model/aligning.h"
#include "app/model/drawings_in_view.h"
#include "app/plan/align_tool.h"
#include "geometry/point.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

QString outcome_words(const Workspace& w) {
    if (!w.aligning().enough_pairs())
        return tr("Pick %1 pairs or more, far apart: first on this floor, then on the blue one.")
            .arg(least_pairs(w.aligning().freedom()));
    const auto fit = w.aligning().fit();
    if (!fit) return tr("The places of the pairs coincide.");
    const Point middle = w.aligning().pairs().front().here;
    const Point moved = fit->map.apply(middle) - middle;
    QString words = tr("Moves %1 m").arg(render::figure(length(moved), 2));
    if (w.aligning().freedom() != Freedom::shift)
        words += tr(", turns %1°").arg(render::figure(fit->map.turn_deg, 2));
    if (w.aligning().freedom() == Freedom::shift_turn_scale)
        words += tr(", scales × %1").arg(render::figure(fit->map.scale, 4));
    if (fit->outlier)
        return words + tr(".\nPair %1 disagrees: without it the others agree within %2 m.")
                           .arg(*fit->outlier + 1)
                           .arg(render::figure(fit->rms_without_outlier_m, 3));
    return words +
           tr(".\nThe pairs agree within %1 m.")
               .arg(render::figure(*std::max_element(fit->residual_m.begin(), fit->residual_m.end()), 3));
}

}  // namespace

Form* align_form(Workspace& w, QWidget* parent) {
    auto* form = new Form(w, parent);
    form->built_for([&w] {
        return QString("%1 %2 %3")
            .arg(w.drawings().ghost().value)
            .arg(w.aligning().pairs().size())
            .arg(floor_names(w));
    });
    form->group(tr("Align this floor"));
    QStringList names;
    std::vector<FloorId> ids;
    for (const Floor& f : building_with(w.project(), w.floor_id()).floors) {
        if (f.id == w.floor_id()) continue;
        names << QString::fromStdString(f.name);
        ids.push_back(f.id);
    }
    form->choice(
        form->row(tr("To")), "alignTo", names,
        [&w, ids] {
            return static_cast<int>(std::find(ids.begin(), ids.end(), w.drawings().ghost()) - ids.begin());
        },
        [&w, ids](int i) {
            w.drawings().show_ghost(ids[static_cast<std::size_t>(i)]);
            w.aligning().clear();
        });
    form->choice(
        form->row(tr("Allow")), "alignFreedom",
        {tr("Move"), tr("Move and rotate"), tr("Move, rotate and scale")},
        [&w] { return static_cast<int>(w.aligning().freedom()); },
        [&w](int i) { w.aligning().allow(static_cast<Freedom>(i)); });
    form->group(tr("Pairs"));
    for (std::size_t i = 0; i < w.aligning().pairs().size(); ++i) {
        auto* row = form->row(tr("Pair %1").arg(i + 1));
        auto* off = new QLabel;
        off->setObjectName(QString("residual-%1").arg(i));
        row->addWidget(off, 1);
        form->on_refresh([&w, off, i] {
            const auto fit = w.aligning().fit();
            if (!fit || i >= fit->residual_m.size()) return off->setText("");
            const bool bad = fit->outlier == i;
            off->setText(tr("%1 m off").arg(render::figure(fit->residual_m[i], 3)));
            off->setStyleSheet("color: " + (bad ? theme().not_met : theme().ink).name() +
                               (bad ? "; font-weight: 600" : ""));
        });
        auto* drop = new QToolButton;
        drop->setObjectName(QString("dropPair-%1").arg(i));
        drop->setText("×");
        drop->setFixedSize(20, 20);
        drop->setToolTip(tr("Leave this pair out"));
        row->addWidget(drop);
        QObject::connect(drop, &QToolButton::clicked, form, [&w, i] { w.aligning().remove(i); });
    }
    auto* told = form->text({}, [&w] { return outcome_words(w); });
    told->setObjectName("alignOutcome");
    told->setWordWrap(true);
    auto* apply = new QPushButton(tr("Align"));
    apply->setObjectName("main");
    apply->setProperty("tests", "alignNow");
    form->widget(apply);
    form->on_refresh([&w, apply] { apply->setEnabled(w.aligning().fit().has_value()); });
    QObject::connect(apply, &QPushButton::clicked, form, [&w] { align_now(w); });
    form->note(
        tr("Everything on this floor moves along: drawings, walls, zones, access points. The blue floor "
           "stays."));
    form->stretch();
    return form;
}

}  // namespace yemvo::app
