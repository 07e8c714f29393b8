// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/forms/form.h"

#include <QComboBox>
#include <QFrame>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QPointer>
#include <QStyle>
#include <algorithm>
#include <cmath>

#include "app/look/access.h"
#include "app/look/theme.h"
#include "base/error.h"
#include "base/number_text.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

UnitField::UnitField(const QString& unit, QWidget* parent) : QLineEdit(parent), unit_(unit) {
    setMinimumWidth(40);
    make_room();
}

/// The value comes first: a long unit in a narrow field is shortened.
void UnitField::make_room() {
    constexpr int value_width = 30;
    const QFontMetrics metrics(render::font(12));
    shown_unit_ = metrics.elidedText(unit_, Qt::ElideRight, std::max(24, width() - value_width));
    if (!property("fault").toBool()) setToolTip(shown_unit_ == unit_ ? QString() : unit_);
    setTextMargins(0, 0, unit_.isEmpty() ? 0 : metrics.horizontalAdvance(shown_unit_) + 5, 0);
}

void UnitField::resizeEvent(QResizeEvent* e) {
    make_room();
    QLineEdit::resizeEvent(e);
}

void UnitField::show_value(const QString& text) {
    if (hasFocus() && isModified()) return;
    show_fault({});
    shown_ = text;
    if (this->text() != text) setText(text);
    setModified(false);
}

void UnitField::show_fault(const QString& why) {
    const bool was = property("fault").toBool();
    if (!was && why.isEmpty()) return;
    setToolTip(why.isEmpty() && shown_unit_ != unit_ ? unit_ : why);
    if (was == !why.isEmpty()) return;
    setProperty("fault", !why.isEmpty());
    style()->unpolish(this);
    style()->polish(this);
}

void UnitField::paintEvent(QPaintEvent* e) {
    QLineEdit::paintEvent(e);
    if (unit_.isEmpty()) return;
    QPainter p(this);
    p.setFont(render::font(12));
    p.setPen(theme().muted);
    p.drawText(rect().adjusted(0, 0, -7, 0), Qt::AlignRight | Qt::AlignVCenter, shown_unit_);
}

void UnitField::confirm() {
    if (!isModified()) return;
    setModified(false);
    emit confirmed(text());
}

void UnitField::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Return || e->key() == Qt::Key_Enter) {
        confirm();
        selectAll();
        return;
    }
    if (e->key() == Qt::Key_Escape) {
        setModified(false);
        show_value(shown_);
        selectAll();
        return;
    }
    QLineEdit::keyPressEvent(e);
}

void UnitField::focusOutEvent(QFocusEvent* e) {
    confirm();
    QLineEdit::focusOutEvent(e);
}

double parse_number(const QString& text, double low, double high, const QString& unit) {
    QString digits = text.trimmed();
    if (!unit.isEmpty() && digits.endsWith(unit)) digits.chop(unit.size());
    const auto read = read_number(render::plain(digits.trimmed()));
    const double value = read.value_or(0);
    if (!read) throw Error(say("'%1' is not a number", text.left(40).toStdString()));
    if (value < low || value > high)
        throw Error(say("must lie between %1 and %2", said_figure(low, 0),
                        said_joined(" ", said_figure(high, 0), unit.toStdString())));
    return value;
}

Form::Form(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace), column_(new QVBoxLayout(this)) {
    column_->setContentsMargins(12, 4, 12, 8);
    column_->setSpacing(3);
    // fields carry their unit
    built_for([this] { return QString::number(static_cast<int>(workspace_.units())); });
}

void Form::built_for(std::function<QString()> what) {
    QString now = what();
    built_for_.emplace_back(std::move(what), std::move(now));
}

bool Form::is_outdated() const {
    return std::ranges::any_of(built_for_, [](const auto& b) { return b.first() != b.second; });
}

void Form::refresh() {
    for (const auto& one : refreshes_) one();
}

void Form::on_refresh(std::function<void()> one) {
    one();
    refreshes_.push_back(std::move(one));
}

void Form::group(const QString& title) {
    if (column_->count() > 0) {
        column_->addSpacing(5);
        auto* rule = new QFrame(this);
        rule->setFixedHeight(1);
        dress(rule, "background: @line;");
        column_->addWidget(rule);
        column_->addSpacing(4);
    }
    auto* head = new QLabel(title, this);
    head->setObjectName("head");
    head->setWordWrap(true);
    column_->addWidget(head);
}

void Form::note(const QString& words) {
    auto* label = new QLabel(words, this);
    label->setObjectName("muted");
    label->setWordWrap(true);
    column_->addWidget(label);
}

/// By the label of the row; the second and third of a row with their number.
static void call_by_label(QWidget* field, const QHBoxLayout* row) {
    auto* label = row->count() > 1 ? qobject_cast<QLabel*>(row->itemAt(0)->widget()) : nullptr;
    if (!label) return;
    const int number = row->indexOf(field);
    if (number == 1) label->setBuddy(field);
    belongs_to(field, number == 1 ? label->text() : QString("%1, %2").arg(label->text()).arg(number));
}

void Form::resizeEvent(QResizeEvent* e) {
    QWidget::resizeEvent(e);
    fit_rows();
}

void Form::fit_rows() {
    const QMargins margins = column_->contentsMargins();
    const int frame = (parentWidget() ? parentWidget()->width() : width()) - margins.left() - margins.right();
    for (QHBoxLayout* row : rows_) {
        int beside = 0;
        for (int i = 0; i < row->count(); ++i)
            beside += row->itemAt(i)->minimumSize().width() + (i ? row->spacing() : 0);
        row->setDirection(beside > frame ? QBoxLayout::TopToBottom : QBoxLayout::LeftToRight);
    }
}

QHBoxLayout* Form::row(const QString& name) {
    auto* layout = new QHBoxLayout;
    layout->setSpacing(5);
    if (!name.isNull()) {
        auto* label = new QLabel(name, this);
        label->setObjectName("row");
        label->setFixedWidth(86);
        label->setWordWrap(true);
        layout->addWidget(label);
    }
    column_->addLayout(layout);
    rows_.push_back(layout);
    return layout;
}

QLabel* Form::text(const QString& name, std::function<QString()> get) {
    auto* layout = row(name);
    if (QLayoutItem* label = layout->itemAt(0)) label->setAlignment(Qt::AlignTop);
    auto* value = new QLabel(this);
    value->setWordWrap(true);
    value->setTextInteractionFlags(Qt::TextSelectableByMouse);
    layout->addWidget(value, 1);
    on_refresh([value, get] { value->setText(get()); });
    return value;
}

void Form::widget(QWidget* w) { column_->addWidget(w); }

void Form::try_at(UnitField* field, const std::function<void()>& change) {
    const QPointer shown(field);  // a change may take the form away
    QString fault;
    try {
        workspace_.forget_refusal();
        change();
        fault = workspace_.refusal();
    } catch (const Error& refused) {
        fault = fault_text(refused);
        workspace_.tell(fault, true);
    }
    if (shown && !fault.isEmpty()) shown->show_fault(fault);
}

UnitField* Form::words_field(QHBoxLayout* layout, const QString& object, std::function<QString()> get,
                             std::function<void(QString)> set) {
    auto* field = new UnitField({}, this);
    field->setObjectName(object);
    layout->addWidget(field, 1);
    call_by_label(field, layout);
    connect(field, &UnitField::confirmed, this,
            [this, field, set](const QString& text) { try_at(field, [&] { set(text.trimmed()); }); });
    on_refresh([field, get] { field->show_value(get()); });
    return field;
}

UnitField* Form::name_field(QHBoxLayout* layout, const QString& object, std::function<QString()> get,
                            std::function<void(QString)> set) {
    return words_field(layout, object, std::move(get), [set = std::move(set)](const QString& text) {
        if (text.isEmpty()) throw Error(say("a name is needed"));
        set(text);
    });
}

UnitField* Form::length_field(QHBoxLayout* layout, const QString& object, const QString& unit,
                              std::function<double()> get, std::function<void(double)> set, Range range) {
    auto* field = new UnitField(unit, this);
    field->setObjectName(object);
    layout->addWidget(field, 1);
    call_by_label(field, layout);
    connect(field, &UnitField::confirmed, this, [this, field, set, get, range](const QString& text) {
        const QPointer shown(field);
        try_at(field, [&] {
            const double value = parse_length_m(render::plain(text), workspace_.units());
            if (!range.holds(value))
                throw Error(say("must lie between %1 and %2", said_length(range.low, workspace_.units()),
                                said_length(range.high, workspace_.units())));
            set(value);
            if (shown && workspace_.refusal().isEmpty())
                shown->show_value(render::local(format_length(get(), workspace_.units(), false)));
        });
    });
    on_refresh([this, field, get] {
        field->show_value(render::local(format_length(get(), workspace_.units(), false)));
    });
    return field;
}

/// Several things that differ have none.
static QString figure_or_none(double value, int decimals) {
    return std::isnan(value) ? QString() : render::figure(value, decimals);
}

UnitField* Form::number_field(QHBoxLayout* layout, const QString& object, const QString& unit, int decimals,
                              std::function<double()> get, std::function<void(double)> set, Range range) {
    auto* field = new UnitField(unit, this);
    field->setObjectName(object);
    layout->addWidget(field, 1);
    call_by_label(field, layout);
    connect(field, &UnitField::confirmed, this,
            [this, field, set, get, range, unit, decimals](const QString& text) {
                const QPointer shown(field);
                try_at(field, [&] {
                    set(parse_number(text, range.low, range.high, unit));
                    if (shown && workspace_.refusal().isEmpty())
                        shown->show_value(figure_or_none(get(), decimals));
                });
            });
    on_refresh([field, get, decimals] { field->show_value(figure_or_none(get(), decimals)); });
    return field;
}

QComboBox* Form::choice(QHBoxLayout* layout, const QString& object, const QStringList& names,
                        std::function<int()> get, std::function<void(int)> set) {
    auto* combo = new QComboBox(this);
    combo->setObjectName(object);
    combo->addItems(names);
    combo->setMinimumWidth(40);
    combo->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    layout->addWidget(combo, 1);
    call_by_label(combo, layout);
    connect(combo, &QComboBox::activated, this, [set, get, shown = QPointer(combo)](int index) {
        set(index);
        if (shown) shown->setCurrentIndex(get());  // what was refused is not shown as chosen
    });
    on_refresh([combo, get] { combo->setCurrentIndex(get()); });
    return combo;
}

}  // namespace yemvo::app
