// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/findings/findings_button.h"

#include <QPainter>

#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/found_findings.h"
#include "app/model/workspace.h"
#include "app/offer/shell.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

FindingsButton::FindingsButton(Workspace& workspace, QWidget* parent)
    : QAbstractButton(parent), workspace_(workspace) {
    setObjectName("findingsButton");
    setFixedSize(86, header_height);
    setCursor(Qt::PointingHandCursor);
    setToolTip(tr("No open findings"));
    connect(&workspace.found(), &FoundFindings::changed, this, [this] {
        const std::size_t open = workspace_.found().open();
        setText(counted("%n finding", "%n findings", open));
        setToolTip(open == 0 ? tr("No open findings") : tr("What the model's own checks found (Ctrl+F)"));
        update();
    });
}

void FindingsButton::paintEvent(QPaintEvent*) {
    if (!workspace_.document().is_open()) return;
    const auto& colours = theme();
    const std::size_t open = workspace_.found().open();
    QPainter p(this);
    p.fillRect(QRect(0, 8, 1, height() - 16), colours.line);
    p.setPen(open == 0 ? colours.muted : colours.not_met);
    p.setFont(render::font(14, 650));
    p.drawText(QRectF(12, 5, width() - 12, 20), Qt::AlignVCenter, render::figure(static_cast<double>(open)));
    p.setPen(colours.muted);
    p.setFont(render::font(11));
    p.drawText(QRectF(12, 25, width() - 12, 16), Qt::AlignVCenter,
               open == 1 ? tr("finding") : tr("findings"));
}

}  // namespace yemvo::app
