// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/details/where_it_could_go.h"

#include <QLabel>
#include <QListWidget>
#include <QPainter>
#include <QPushButton>
#include <QStyledItemDelegate>
#include <QVBoxLayout>
#include <algorithm>

#include "app/look/theme.h"
#include "app/model/listening.h"
#include "app/model/workspace.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int row_height = 21, rows_in_view = 9;

QString setting_words(const OpenChannel& o) {
    return render::local(short_channel_text(o.primary, o.permit.channel.width_mhz));
}

QString whom(const WhereItCouldGo::Row& row, const SpectrumNow& now) {
    QStringList numbers;
    for (const auto& [radio, lost] : row.air.to) {
        if (numbers.size() == 3) {
            numbers << QStringLiteral("…");
            break;
        }
        numbers << now.name(radio);
    }
    return numbers.join(", ");
}

class WhereDelegate : public QStyledItemDelegate {
public:
    WhereDelegate(WhereItCouldGo& of, QObject* parent) : QStyledItemDelegate(parent), of_(of) {}
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override {
        return {100, row_height};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto i = static_cast<std::size_t>(index.row());
        if (i >= of_.rows().size()) return;
        const WhereItCouldGo::Row& row = of_.rows()[i];
        const auto& colours = theme();
        const QRectF r(option.rect);
        p->save();
        if (option.state & QStyle::State_Selected)
            p->fillRect(r, colours.accent_tint);
        else if (row.now)
            p->fillRect(r, colours.not_met_tint);
        const bool hurts = row.air.lost >= 0.1;
        p->setFont(render::font(12, row.now ? 600 : 500));
        p->setPen(row.now && hurts ? colours.not_met : colours.ink);
        p->drawText(r.adjusted(6, 0, 0, 0), Qt::AlignVCenter, setting_words(row.open));
        const QRectF bar(r.left() + 76, r.center().y() - 3.5, 52, 7);
        p->fillRect(bar, colours.line2);
        p->fillRect(
            QRectF(bar.topLeft(), QSizeF(bar.width() * std::min(1.0, 2 * row.air.lost), bar.height())),
            hurts ? colours.not_met : colours.ink);
        p->setFont(render::font(12, 500));
        p->drawText(QRectF(bar.right() + 4, r.top(), 48, r.height()), Qt::AlignRight | Qt::AlignVCenter,
                    render::percent(row.air.lost, 1));
        p->setFont(render::font(11.5));
        p->setPen(colours.muted);
        const QString beside = row.now                                     ? tr("now")
                               : row.open.permit.dfs && row.air.to.empty() ? QStringLiteral("DFS")
                                                                           : whom(row, of_.spectrum());
        p->drawText(
            QRectF(bar.right() + 56, r.top(), r.right() - bar.right() - 62, r.height()),
            Qt::AlignRight | Qt::AlignVCenter,
            QFontMetricsF(p->font()).elidedText(beside, Qt::ElideRight, r.right() - bar.right() - 62));
        p->restore();
    }

private:
    WhereItCouldGo& of_;
};

}  // namespace

WhereItCouldGo::WhereItCouldGo(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace), spectrum_(std::make_shared<SpectrumNow>()) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    title_ = new QLabel;
    title_->setObjectName("small");
    title_->setWordWrap(true);
    column->addWidget(title_);
    list_ = new QListWidget;
    list_->setObjectName("whereItCouldGo");
    list_->setAccessibleName(tr("Where it could go"));
    list_->setUniformItemSizes(true);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->setFixedHeight(row_height * rows_in_view + 4);
    list_->setItemDelegate(new WhereDelegate(*this, list_));
    column->addWidget(list_);
    move_ = new QPushButton;
    move_->setObjectName("moveRadio");
    column->addWidget(move_);
    connect(move_, &QPushButton::clicked, this, &WhereItCouldGo::move);
    connect(list_, &QListWidget::itemActivated, this, &WhereItCouldGo::move);
    connect(list_, &QListWidget::currentRowChanged, this, [this](int i) {
        const bool any =
            i >= 0 && static_cast<std::size_t>(i) < rows_.size() && !rows_[static_cast<std::size_t>(i)].now;
        move_->setEnabled(any);
        move_->setText(any ? tr("Move to %1").arg(setting_words(rows_[static_cast<std::size_t>(i)].open))
                           : tr("Move"));
    });
    listen(this, &WhereItCouldGo::refresh, workspace.spectrum(), &Spectrum::changed, workspace.spectrum(),
           &Spectrum::chosen_changed);
    refresh();
}

void WhereItCouldGo::refresh() {
    spectrum_ = workspace_.spectrum().now();
    const auto ref = workspace_.spectrum().current();
    const auto here = ref ? radio_here(workspace_, *ref) : std::nullopt;
    const auto at = ref ? spectrum_->find(*ref) : std::nullopt;
    constexpr Channel none{band_5, 0, 0};
    const auto row = static_cast<std::size_t>(list_->currentRow());
    const Channel chosen = row < rows_.size() ? rows_[row].open.permit.channel : none;
    rows_.clear();
    if (here && at) {
        const Radio& set = here->set();
        const bool can_tell = spectrum_->heard;
        for (OpenChannel& o : channels_for(workspace_, *here)) {
            Row one;
            one.now = !set.channel_open && set.channel == o.permit.channel;
            if (one.now) o.primary = set.primary;
            if (can_tell)
                one.air = air_at(spectrum_->air, *at, o.permit.channel, o.primary,
                                 workspace_.project().settings.heard_dbm);
            one.open = std::move(o);
            rows_.push_back(std::move(one));
        }
        std::ranges::stable_sort(rows_, {}, [&](const Row& r) {
            // as wide as it is now before others that cost the same
            return std::tuple(std::round(1000 * (r.air.lost + r.air.taken)),
                              r.open.permit.channel.width_mhz != set.channel.width_mhz, r.open.permit.dfs);
        });
        title_->setText(tr("%1 GHz, air lost and to whom").arg(render::local(band(set.channel.band).name)));
    } else {
        title_->setText(ref ? tr("This radio is not at work") : tr("Choose a radio on the spectrum board"));
    }
    const QSignalBlocker quiet(list_);
    while (list_->count() > static_cast<int>(rows_.size())) delete list_->takeItem(list_->count() - 1);
    while (list_->count() < static_cast<int>(rows_.size())) list_->addItem(QString());
    int current = -1;
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        list_->item(static_cast<int>(i))
            ->setData(Qt::AccessibleTextRole,
                      setting_words(rows_[i].open) + ", " + render::percent(rows_[i].air.lost, 1));
        if (rows_[i].open.permit.channel == chosen) current = static_cast<int>(i);
    }
    list_->setCurrentRow(current);
    const bool any = current >= 0 && !rows_[static_cast<std::size_t>(current)].now;
    move_->setEnabled(any);
    move_->setText(any ? tr("Move to %1").arg(setting_words(rows_[static_cast<std::size_t>(current)].open))
                       : tr("Move"));
    list_->viewport()->update();
}

void WhereItCouldGo::move() {
    const int i = list_->currentRow();
    const auto ref = workspace_.spectrum().current();
    if (!ref || i < 0 || static_cast<std::size_t>(i) >= rows_.size()) return;
    const OpenChannel open = rows_[static_cast<std::size_t>(i)].open;
    tune(workspace_, {{*ref, open.permit.channel, open.primary}});
}

}  // namespace yemvo::app
