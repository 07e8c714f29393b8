// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/spectrum/meetings_list.h"

#include <QPainter>
#include <QStyledItemDelegate>

#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/listening.h"
#include "app/model/spectrum.h"
#include "app/model/tuning.h"
#include "app/model/workspace.h"
#include "project/project.h"
#include "render/laid_out_text.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// More rows are not read; the board has the lines.
constexpr std::size_t most_rows = 400;

/// What of a meeting is written where.
struct MeetingWords {
    QString who, channels, heard, lost;
    bool other_floor = false;
};

MeetingWords words_of(const SpectrumNow& now, const AirMeeting& m) {
    // the one that loses more stands last
    const bool b_loses = m.lost_b >= m.lost_a;
    const std::uint32_t from_at = b_loses ? m.a : m.b, to_at = b_loses ? m.b : m.a;
    const AirRadio& from = now.air.radios[from_at];
    const AirRadio& to = now.air.radios[to_at];
    MeetingWords w;
    w.who = tr("%1 from %2").arg(now.name(to_at), now.name(from_at));
    const auto channel = [](const AirRadio& r) {
        return render::local(short_channel_text(r.primary, r.channel.width_mhz));
    };
    w.channels = m.how == Sharing::partly ? tr("%1 partly in %2").arg(channel(from), channel(to))
                                          : tr("%1 in %2").arg(channel(from), channel(to));
    w.other_floor = !now.air.neighbour(from_at) && from.floor != to.floor;
    w.heard = tr("heard at %1 dBm").arg(render::figure(m.heard_dbm, 1));
    w.lost = render::percent(m.lost(), m.lost() < 0.1 ? 1 : 0);
    return w;
}

class MeetingDelegate : public QStyledItemDelegate {
public:
    MeetingDelegate(Workspace& workspace, QObject* parent)
        : QStyledItemDelegate(parent), workspace_(workspace) {}
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {300, 21}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const SpectrumNow& now = *workspace_.spectrum().now();
        const auto row = static_cast<std::size_t>(index.row());
        if (row >= now.meetings.size()) return;
        const AirMeeting& m = now.meetings[row];
        const MeetingWords words = words_of(now, m);
        const auto& colours = theme();
        QRectF r(option.rect);
        p->save();
        p->setRenderHint(QPainter::Antialiasing);
        if (option.state & QStyle::State_Selected) p->fillRect(r, colours.not_met_tint);
        p->setPen(QPen(colours.line2, 1));
        p->drawLine(r.bottomLeft(), r.bottomRight());
        constexpr int plain = 400, strong = 600;
        const auto write = [&](double x, double width, const QString& text, int weight, const QColor& ink,
                               Qt::Alignment to = Qt::AlignLeft) {
            p->setPen(ink);
            const render::LaidOutText& t = render::laid_out_within(text, width, 12, weight);
            const double left = to == Qt::AlignRight ? x + width - t.width : x;
            t.draw(*p, {r.left() + left, r.center().y() - t.text.size().height() / 2});
        };
        render::paint_band_glyph(*p, {r.left() + 12, r.center().y()}, now.air.radios[m.a].channel.band,
                                 colours);
        write(24, 92, words.who, strong, colours.ink);
        const bool wide = r.width() > 520;
        const double figure_px = 50, bar_px = wide ? 64 : 40;
        const double heard_px = wide ? 176 : 0;
        const double channels_px = r.width() - 120 - heard_px - bar_px - figure_px - 12;
        write(120, channels_px, words.channels + (words.other_floor ? QStringLiteral("  ↕") : QString()),
              plain, colours.muted);
        if (wide) write(120 + channels_px + 4, heard_px - 8, words.heard, plain, colours.muted);
        const QRectF bar(r.right() - figure_px - bar_px - 4, r.center().y() - 3.5, bar_px, 7);
        p->fillRect(bar, colours.line2);
        p->fillRect(QRectF(bar.topLeft(), QSizeF(bar.width() * std::min(1.0, 2 * m.lost()), bar.height())),
                    m.lost() >= 0.1 ? colours.not_met : colours.ink);
        write(r.width() - figure_px - 8, figure_px, words.lost, strong,
              m.lost() >= 0.1 ? colours.not_met : colours.ink, Qt::AlignRight);
        p->restore();
    }

private:
    Workspace& workspace_;
};

}  // namespace

MeetingsList::MeetingsList(Workspace& workspace, QWidget* parent)
    : QListWidget(parent), workspace_(workspace) {
    setObjectName("meetings");
    setAccessibleName(tr("Who takes air from whom"));
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setUniformItemSizes(true);
    setItemDelegate(new MeetingDelegate(workspace, this));
    const auto anew = [this] {
        if (isVisible()) refresh();
    };
    listen(this, anew, workspace.spectrum(), &Spectrum::changed, workspace.document(), &Document::opened);
    connect(this, &QListWidget::itemClicked, this, [this](QListWidgetItem* item) { go_to(row(item)); });
    connect(this, &QListWidget::itemActivated, this, [this](QListWidgetItem* item) { go_to(row(item)); });
}

void MeetingsList::showEvent(QShowEvent*) { refresh(); }

void MeetingsList::refresh() {
    const SpectrumNow& now = *workspace_.spectrum().now();
    const int rows = static_cast<int>(std::min(most_rows, now.meetings.size()));
    filling_ = true;
    while (count() > rows) delete takeItem(count() - 1);
    while (count() < rows) addItem(QString());
    for (int i = 0; i < rows; ++i) item(i)->setData(Qt::AccessibleTextRole, words(i));
    filling_ = false;
    viewport()->update();
}

QString MeetingsList::words(int row) const {
    const SpectrumNow& now = *workspace_.spectrum().now();
    if (row < 0 || static_cast<std::size_t>(row) >= now.meetings.size()) return {};
    const MeetingWords w = words_of(now, now.meetings[static_cast<std::size_t>(row)]);
    QStringList parts{w.who, w.channels, w.heard, w.lost};
    if (w.other_floor) parts << tr("through the slab");
    return parts.join("; ");
}

void MeetingsList::go_to(int row) {
    const std::shared_ptr<const SpectrumNow> now = workspace_.spectrum().now();
    if (filling_ || row < 0 || static_cast<std::size_t>(row) >= now->meetings.size()) return;
    const AirMeeting& m = now->meetings[static_cast<std::size_t>(row)];
    const auto ref = [&](std::uint32_t i) {
        return RadioRef{now->air.radios[i].access_point, now->air.radios[i].radio};
    };
    const bool b_loses = m.lost_b >= m.lost_a;
    // what takes may be a neighbour: the one that loses is shown
    if (now->air.neighbour(m.b)) return workspace_.spectrum().choose({ref(m.a)});
    workspace_.spectrum().choose({ref(b_loses ? m.a : m.b), ref(b_loses ? m.b : m.a)});
}

}  // namespace yemvo::app
